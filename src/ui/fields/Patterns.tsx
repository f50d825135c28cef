/** Hatches and the stipple of concrete, defined once for all drawings of the page. The stipple is drawn from a fixed sequence. */
function stipple(size: number, dots: number, seed: number): { x: number; y: number; r: number }[] {
  let state = seed;
  const next = () => {
    state = (state * 16807) % 2147483647;
    return state / 2147483647;
  };
  return Array.from({ length: dots }, () => ({ x: next() * size, y: next() * size, r: 0.35 + next() * 0.3 }));
}

const cut = stipple(118, 110, 71);
const light = stipple(46, 9, 29);
const stones = stipple(118, 7, 5);

const Dots = ({ of, opacity }: { of: typeof cut; opacity?: string }) =>
  of.map((d, i) => <circle key={i} cx={d.x.toFixed(1)} cy={d.y.toFixed(1)} r={d.r.toFixed(2)} fill="#85796A" opacity={opacity} />);

export function Patterns() {
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <defs>
        <pattern id="concrete" width="118" height="118" patternUnits="userSpaceOnUse">
          <rect width="118" height="118" fill="#E7DFCD" />
          <Dots of={cut} />
          {stones.map((d, i) => (
            <path key={i} d={`M${d.x.toFixed(1)},${d.y.toFixed(1)}l4,1l-2,3z`} fill="none" stroke="#85796A" strokeWidth=".55" />
          ))}
        </pattern>
        <pattern id="concrete-light" width="46" height="46" patternUnits="userSpaceOnUse">
          <rect width="46" height="46" fill="#EDE6D6" />
          <Dots of={light} opacity=".75" />
        </pattern>
        <pattern id="near" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="4" height="4" fill="#E3B94F" />
          <rect width="1.5" height="4" fill="#8A6405" />
        </pattern>
        <pattern id="over" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="4" height="4" fill="#D55173" />
          <rect width="1.5" height="4" fill="#A30F38" />
          <rect width="4" height="1.5" fill="#A30F38" />
        </pattern>
        <pattern id="over-light" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="5" height="5" fill="#EFC6C6" />
          <rect width="1" height="5" fill="#B31340" />
          <rect width="5" height="1" fill="#B31340" />
        </pattern>
        <pattern id="compressed" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="4" height="4" fill="#EBCFBB" />
          <rect width=".9" height="4" fill="#A6583B" />
        </pattern>
      </defs>
    </svg>
  );
}
