/** Tables on paper. */
export const cell = "border border-[#888] px-1.5 py-0.5";

export function Heads({ heads }: { heads: string[] }) {
  return (
    <thead>
      <tr>
        {heads.map((h) => (
          <th key={h} className={`${cell} text-left`} scope="col">
            {h}
          </th>
        ))}
      </tr>
    </thead>
  );
}
