/** The body's own lines in one look: walls, doors, wheels, the centre line. */
import { type Frame, type Look, points, WHEEL } from "./frame";
import { type Body, endOf, hullAt } from "./geometry";

export function Outline({ look, body, f, cut }: { look: Look | "section"; body: Body; f: Frame; cut: number }) {
  const s = body.stations;
  const line = { fill: "none", stroke: "currentColor", strokeWidth: 0.018 };
  if (look === "section") {
    const zs = [0, ...body.levels.filter((z) => z > 0)];
    const h = hullAt(body, cut, 0).height;
    const heights = [...zs.filter((z) => z < h), h];
    const left = heights.map((z) => [f.u(0, hullAt(body, cut, z).left, z), f.v(0, 0, z)] as [number, number]);
    const right = heights.map((z) => [f.u(0, -hullAt(body, cut, z).right, z), f.v(0, 0, z)] as [number, number]);
    return (
      <>
        <polygon points={points([...left, ...right.reverse()])} {...line} />
        <line
          x1={f.u(0, 0, 0)}
          x2={f.u(0, 0, 0)}
          y1={f.v(0, 0, h)}
          y2={f.v(0, 0, 0)}
          stroke="currentColor"
          strokeWidth="0.006"
          strokeDasharray="0.1 0.03 0.02 0.03"
        />
      </>
    );
  }
  if (look === "left" || look === "right") {
    const sill = s.map((q) => [f.u(q.x, 0, 0), f.v(0, 0, q.height)] as [number, number]);
    const wheels = [body.rear_x, body.second_x, body.front_x].filter((x): x is number => x != null && f.u(x, 0, 0) > 0 && f.u(x, 0, 0) < f.w);
    return (
      <>
        <polygon points={points([[f.u(s[0]!.x, 0, 0), f.v(0, 0, 0)], ...sill, [f.u(s[s.length - 1]!.x, 0, 0), f.v(0, 0, 0)]])} {...line} />
        {wheels.map((x) => (
          <circle key={x} cx={f.u(x, 0, 0)} cy={f.v(0, 0, WHEEL.z)} r={WHEEL.r} {...line} strokeWidth="0.012" />
        ))}
        {body.doors
          .filter((d) => d.side === look)
          .map((d) => (
            <rect
              key={d.id}
              x={Math.min(f.u(d.a, 0, 0), f.u(d.b, 0, 0))}
              width={Math.abs(d.b - d.a)}
              y={f.v(0, 0, d.sill + d.height)}
              height={d.height}
              {...line}
              strokeWidth="0.008"
              strokeDasharray="0.05 0.04"
            />
          ))}
      </>
    );
  }
  const at = Math.min(1, body.levels.length - 1);
  const left = s.map((q) => [f.u(q.x, 0, 0), f.v(0, q.left[at]!, 0)] as [number, number]);
  const right = s.map((q) => [f.u(q.x, 0, 0), f.v(0, -q.right[at]!, 0)] as [number, number]);
  const last = endOf(body);
  return (
    <>
      {body.cab && (
        <path
          d={`M${f.u(last, 0, 0)} ${f.v(0, -body.half, 0)}Q${f.u(last + 0.95, 0, 0)} ${f.v(0, -body.half, 0)} ${f.u(last + 0.95, 0, 0)} ${f.v(0, 0, 0)}Q${f.u(last + 0.95, 0, 0)} ${f.v(0, body.half, 0)} ${f.u(last, 0, 0)} ${f.v(0, body.half, 0)}`}
          {...line}
          strokeWidth="0.008"
        />
      )}
      <polygon points={points([...left, ...right.reverse()])} {...line} />
      <line
        x1={f.u(s[0]!.x, 0, 0) + 0.08}
        x2={f.u(last, 0, 0) - 0.08}
        y1={f.v(0, 0, 0)}
        y2={f.v(0, 0, 0)}
        stroke="currentColor"
        strokeWidth="0.006"
        strokeDasharray="0.1 0.03 0.02 0.03"
      />
      {body.doors.map((d) =>
        d.side === "left" || d.side === "right" ? (
          <line
            key={d.id}
            x1={f.u(d.a, 0, 0)}
            x2={f.u(d.b, 0, 0)}
            y1={f.v(0, (d.side === "left" ? 1 : -1) * body.half, 0)}
            y2={f.v(0, (d.side === "left" ? 1 : -1) * body.half, 0)}
            stroke="var(--color-sheet)"
            strokeWidth="0.05"
          />
        ) : d.side === "rear" ? (
          <line key={d.id} x1={f.u(0, 0, 0)} x2={f.u(0, 0, 0)} y1={f.v(0, d.a, 0)} y2={f.v(0, d.b, 0)} stroke="var(--color-sheet)" strokeWidth="0.05" />
        ) : null,
      )}
    </>
  );
}
