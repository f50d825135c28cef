import type { Standing } from './Glyph';

interface InlayProps {
  readonly utilisation: number | null;
  readonly standing: Standing;
  /** Width of the field from 0 to the limit, in px. */
  readonly width?: number;
  readonly framed?: boolean;
  /** A former utilisation, marked by a dashed line. */
  readonly before?: number | null;
}

const MOST_SHOWN = 1.18;

/** The bar that shows a utilisation: shape and hatch first, colour second. */
export function Inlay({ utilisation, standing, width = 66, framed = false, before }: InlayProps) {
  // What nothing can carry is over without a figure.
  const used = utilisation ?? (standing === 'over' ? MOST_SHOWN : 0);
  const end = 1 + width * Math.min(used, MOST_SHOWN);
  return (
    <svg width={width * MOST_SHOWN + 6} height="14" aria-hidden="true" className="block shrink-0">
      {framed && <rect x=".5" y="2.5" width={width} height="9" fill="#EFE8D7" stroke="#B3A68D" strokeWidth=".8" />}
      {bar(standing, end)}
      {before != null && <path d={`M${1 + width * Math.min(before, MOST_SHOWN)} 1v12`} stroke="#231E19" strokeDasharray="2 1.4" />}
      {framed && <path d={`M${width + 0.5} 0V14`} stroke="#231E19" strokeWidth="1.2" />}
    </svg>
  );
}

function bar(standing: Standing, end: number) {
  switch (standing) {
    case 'within':
      return <rect x="1" y="3" width={Math.max(0.5, end - 1)} height="8" fill="#3C8A7A" />;
    case 'near':
      return <path d={`M1 3H${end}L${end - 4} 11H1z`} fill="url(#near)" stroke="#7A5800" strokeWidth=".7" />;
    case 'over':
      return <path d={`M1 3H${end - 3}L${end} 7L${end - 3} 11H1z`} fill="url(#over)" stroke="#A30F38" strokeWidth=".7" />;
    case 'accepted':
      return (
        <>
          <path d={`M1 3H${end - 3}L${end} 7L${end - 3} 11H1z`} fill="#EFC6C6" stroke="#A30F38" strokeWidth=".7" />
          <path d={`M${end - 8} 3l5 2.4 5-2.4v8l-5-2.4-5 2.4z`} fill="#231E19" />
        </>
      );
    case 'working':
      return (
        <rect
          x="1"
          y="3"
          width={Math.max(6, end - 1)}
          height="8"
          fill="#B3A68D"
          stroke="#231E19"
          strokeWidth=".8"
          strokeDasharray="2 1.5"
        />
      );
    case 'open':
      return <path d="M1 7h60" stroke="#B3A68D" strokeWidth="3" strokeDasharray="1 3" />;
  }
}
