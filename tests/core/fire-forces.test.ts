import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { referenceCases } from './reference';

const isFinal = { sustained: 0.6 };
const base = {
  type: 'column',
  height: 3000,
  cover: 35,
  shape: { kind: 'rectangle', b: 350, h: 350 },
  axes: { x: { factor: 0.5 }, y: { factor: 0.5 } },
  fire: { minutes: 60 },
  ...isFinal,
};
const cases = {
  mode: 'cases',
  cases: [
    { id: 'G', nature: 'permanent' },
    { id: 'Q', nature: 'imposed', category: 'B' },
  ],
  caseForces: [
    { case: 'G', N: 900, mxTop: 20, mxBottom: 10 },
    { case: 'Q', N: 400, mxTop: 12, mxBottom: 4 },
  ],
};
function ways(code: object, change: object) {
  const read = readProject({ format: 'intarsia', version: 1, code, members: [{ ...base, ...change }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const checks = designNow(read.project, read.project.members[0]!, 'all').checks.filter((c) => c.family === 'fire');
  const level = checks[0]!.derivation!.flatMap((s) => (s.kind === 'formula' && /^mu_f/.test(s.symbol) ? [s.value] : []));
  return {
    level: level.at(-1)!,
    titles: checks.map((c) => `${c.title} ${(c.reason ?? String(c.capacity?.value)).replace(/ L\d/, '')}`).sort(),
  };
}

describe('forces of the fire itself, where load cases are known', () => {
  it('EN: G + psi2 Q is what a typed set of these forces is with all of it counted', () => {
    const en = (choices: object) => ({ id: 'en1992', variant: 'recommended', choices });
    const own = ways(en({ fireForces: 'quasiPermanent' }), cases);
    // psi2 of offices 0.3: 900 + 120 kN, 20 + 3.6 and 10 + 1.2 kNm
    const typed = ways(en({ fireReduction: '1' }), { sets: [{ name: 'F', N: 1020, mxTop: 23.6, mxBottom: 11.2, sustained: 1 }] });
    expect(own.level / typed.level).toBeCloseTo(1, 2);
    // A part of the design forces is what counts unless chosen otherwise: more here, 0.7 (1.35 900 + 1.5 400) = 1271 kN.
    expect(ways(en({}), cases).level).toBeGreaterThan(own.level);
    const frequent = ways(en({ fireForces: 'frequent' }), cases);
    expect(frequent.level).toBeGreaterThan(own.level);
  });

  it('ACT-04: G + psi_l Q to AS/NZS 1170.0, 900 + 0.4 400 = 1060 kN', () => {
    const as = (choices: object) => ({ id: 'as3600', variant: '2018', choices });
    const steel = {
      bars: { kind: 'sides', corner: 'N20', alongX: 0, sizeX: 'N20', alongY: 0, sizeY: 'N20' },
      ties: { size: 'N10', spacing: 200 },
    };
    const own = ways(as({ fireForces: 'sustained' }), { ...steel, ...cases });
    const fire = referenceCases('as3600').get('ACT-04')!.expected.fire as number;
    const typed = ways(as({ fireReduction: '1' }), { ...steel, sets: [{ name: 'F', N: fire, mxTop: 24.8, mxBottom: 11.6, sustained: 1 }] });
    expect(own.level / typed.level).toBeCloseTo(1, 2);
    expect(own.titles).toEqual(typed.titles);
  });

  it('load sets that are typed stay design forces', () => {
    const sets = { sets: [{ name: 'L', N: 900, mxTop: 20 }] };
    const at = (choices: object) => ways({ id: 'en1992', variant: 'recommended', choices }, sets);
    expect(at({ fireForces: 'quasiPermanent' })).toEqual(at({}));
  });
});
