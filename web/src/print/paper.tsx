/** Tables on paper. */
import { useSaid } from "../shell/person";

export const cell = "border border-[#888] px-1.5 py-0.5";

export function Heads({ heads }: { heads: string[] }) {
  const say = useSaid();
  return (
    <thead>
      <tr>
        {heads.map((h) => (
          <th key={h} className={`${cell} text-left`} scope="col">
            {say(h)}
          </th>
        ))}
      </tr>
    </thead>
  );
}
