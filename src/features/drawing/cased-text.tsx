/** Words over a drawing, bold, with a casing of the ground round each letter. */
export function CasedText({ x, y, size, casing, children }: { x: number; y: number; size: number; casing: number; children: string }) {
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      fontWeight={700}
      textAnchor="middle"
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth={casing}
      paintOrder="stroke"
    >
      {children}
    </text>
  );
}
