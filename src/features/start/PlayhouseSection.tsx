import paths from './playhouse-section.json';

const names: readonly (readonly [x: number, y: number, text: string, isRoom: boolean])[] = [
  [272.2, 126.2, 'control', false],
  [96.8, 297.2, 'foyer', true],
  [587.5, 215, 'auditorium', true],
  [851.6, 230.6, 'stage', true],
  [1073.6, 226.1, 'scene dock', true],
  [147.9, 386.5, '9.0 m', false],
  [496.4, 386.5, '22.4 m', false],
  [847.8, 386.5, '9.3 m', false],
  [1042, 386.5, '8.3 m', false],
];

/** Long section through the made-up theatre of the demo project: foyer, auditorium, stage and scene dock. */
export function PlayhouseSection() {
  return (
    <svg
      viewBox="-6 20 1192 372"
      className="block w-full"
      role="img"
      aria-label="Long section through foyer, auditorium, stage and scene dock"
    >
      {paths.map(([fill, stroke, width, dashes, path], i) => (
        <path key={i} d={path} fill={fill} stroke={stroke} strokeWidth={width} strokeDasharray={dashes || undefined} />
      ))}
      {names.map(([x, y, text, isRoom]) => (
        <text
          key={text}
          x={x}
          y={y}
          textAnchor="middle"
          {...(isRoom ? { fontFamily: 'var(--font-serif)', fontStyle: 'italic', fontSize: 14 } : { fontSize: 11, fill: '#51473C' })}
        >
          {text}
        </text>
      ))}
    </svg>
  );
}
