import { remember, silent, type Calc } from '../../calc/calc';
import {
  readChoice,
  strengthFaults,
  type Choice,
  type CodeEntry,
  type CodeSettings,
  type DesignCode,
  type Materials,
} from '../design-code';
import { columnChoices, columnRules } from './column-rules';
import { combinations, type UltimateRule } from './combinations';
import { anchorageLength, clearSpacing, compressionLinkSpacing } from './detailing';
import { anchorageRules } from './anchorage';
import { ultimateBasis } from './axial';
import { fireChoices, fireRules } from './fire';
import { beamForm } from './beam-form';
import { flangeRule } from './flange-width';
import { flangeShear } from './flange-shear';
import { frameChoices, frameCode } from './frames';
import * as flexure from './flexure';
import { bendingSteel } from './required-steel';
import {
  blockFactors,
  concreteGrades,
  concreteLabel,
  concreteLaw,
  designStrains,
  designStrength,
  secantModulus,
  steelLaw,
} from './materials';
import { usesOfOthers, annexes, findAnnex, type UseCategory } from './national';
import { punchingRules } from './punching';
import { serviceChoices, serviceRules } from './service';
import { slabRules } from './slabs';
import * as shear from './shear';
import { torsionChoices, torsionRules } from './torsion';

/** What EN 1992-1-1 leaves to the engineer, or to the national annex in a way that allows several readings. */
const choices: readonly Choice[] = [
  {
    key: 'ultimateRule',
    title: 'Ultimate combinations',
    clause: 'EN 1990 6.4.3.2(3)',
    topic: 'combinations',
    options: { '6.10': 'expression 6.10', '6.10ab': 'the worse of 6.10a and 6.10b' },
  },
  {
    key: 'pattern',
    title: 'Loaded spans',
    clause: '5.1.3(1)',
    topic: 'analysis',
    only: 'beams',
    options: {
      alternateAndAdjacent: 'alternate spans, and any two adjacent',
      allAndAlternate: 'all spans, and alternate (UK annex)',
      exhaustive: 'every arrangement',
      allSpans: 'all spans only',
    },
  },
  {
    key: 'supportMoment',
    title: 'Moment over supports',
    clause: '5.3.2.2(3), (4)',
    topic: 'analysis',
    only: 'beams',
    options: {
      face: 'at the face, at least 0.65 of the fixed-end moment',
      rounded: 'peak less R t / 8 (bearing)',
      centre: 'at the centre line',
    },
  },
  {
    key: 'diagram',
    title: 'Stress of concrete',
    clause: '3.1.7',
    topic: 'bending',
    only: 'beams',
    options: { block: 'rectangular block', parabola: 'parabola and rectangle' },
  },
  {
    key: 'depthLimit',
    title: 'Limit of x/d',
    clause: '5.5(4), 5.6.3(2)',
    topic: 'bending',
    only: 'beams',
    options: { plastic: '5.5(4), and at most 0.45 (0.35 above C50/60)', redistribution: '5.5(4) alone' },
  },
  {
    key: 'compressionBars',
    title: 'Bars in the compressed zone',
    clause: '6.1',
    topic: 'bending',
    only: 'beams',
    options: { count: 'counted in the resistance', ignore: 'left out' },
  },
  {
    key: 'leverArm',
    title: 'Lever arm',
    clause: '6.1 (practice)',
    topic: 'bending',
    only: 'beams',
    options: { free: 'as calculated', capped: 'at most 0.95 d' },
  },
  {
    key: 'cotTheta',
    title: 'cot of the strut angle (0: the best)',
    clause: '6.2.3(2)',
    topic: 'shear',
    options: { min: 0, max: 2.5, usual: 0 },
  },
  {
    key: 'linkStress',
    title: 'Stress of links',
    clause: '6.2.3(3) note 2',
    topic: 'shear',
    options: { full: 'fywd, with struts of nu (6.6N)', low: '0.8 fywk, with stronger struts' },
  },
  {
    key: 'shearPlace',
    title: 'Shear near supports',
    clause: '6.2.1(8)',
    topic: 'shear',
    only: 'beams',
    options: { atD: 'links from d beyond the face', atFace: 'links from the face' },
  },
  {
    key: 'heldEnds',
    title: 'Ends that rest freely',
    clause: '9.3.1.2(2)',
    topic: 'analysis',
    only: 'strips',
    options: { partly: 'unintended fixity: top bars for 0.15 of the span moment', free: 'free to turn: no top bars' },
  },
  {
    key: 'thinSlabs',
    title: 'Cracks of slabs up to 200 mm',
    clause: '7.3.3(1)',
    topic: 'service',
    only: 'strips',
    options: { rule: 'no look at them, 9.3 is kept', calculate: 'calculated as for deeper slabs' },
  },
  ...torsionChoices,
  ...serviceChoices,
  ...fireChoices,
  ...frameChoices,
  ...columnChoices.map((choice) => ({ ...choice, only: 'columns' as const })),
];

const natures: DesignCode['natures'] = {
  permanent: 'permanent',
  imposed: 'imposed',
  roof: 'roof, imposed',
  snow: 'snow',
  rain: 'rain',
  wind: 'wind',
  earthquake: 'earthquake',
  settlement: 'settlement',
};

/** EN 1991-1-1 tables 6.1, 6.7 and 6.9. */
const categories: Readonly<Record<UseCategory, string>> = {
  A: 'A dwellings',
  B: 'B offices',
  C: 'C assembly',
  D: 'D shops',
  E: 'E storage',
  F: 'F light traffic',
  G: 'G traffic',
  H: 'H roofs',
};

const notCovered: DesignCode['notCovered'] = [{ title: 'Frames of ductility class high', clause: 'EN 1998-1 5.5', of: 'columns' }];

/** EN 1992-1-1 as the registry has it, with its national annexes. */
export const en1992Entry: CodeEntry = {
  id: 'en1992',
  variants: annexes.map((a) => ({
    variant: a.id,
    title: `EN 1992-1-1 with ${a.title}`,
    short: a.short,
    isOfferedFirst: a.isOfferedFirst,
    display: 'SI',
  })),
  make: en1992,
};

/** EN 1992-1-1:2004+A1 with the national choices of an annex. Throws RangeError for an unknown annex. */
export function en1992(settings: CodeSettings): DesignCode {
  const annex = findAnnex(settings.variant);
  const choose = (key: string) => readChoice(choices, settings, key);
  const cot = Number(choose('cotTheta'));
  const shearBasis: shear.ShearBasis = {
    annex,
    cotTheta: cot < 1 ? 'best' : cot,
    lowLinkStress: choose('linkStress') === 'low',
    known: new WeakMap(),
  };

  const known = new WeakMap<Materials, flexure.FlexureBasis>();
  const flexureBasis = (c: Calc, m: Materials) => remember(known, m, c, () => makeBasis(c, m));
  function makeBasis(c: Calc, m: Materials): flexure.FlexureBasis {
    return {
      concrete: concreteLaw(c, m, annex, choose('diagram')),
      steel: steelLaw(c, m, annex),
      fcd: designStrength(silent, m.concreteStrength, annex.alphaCC, annex.gammaC),
      ...blockFactors(silent, m.concreteStrength),
      countCompressionBars: choose('compressionBars') === 'count',
      capLeverArm: choose('leverArm') === 'capped',
    };
  }
  const depthLimit = (c: Calc, m: Materials, delta: number) =>
    flexure.depthLimit(c, delta, designStrains(silent, m.concreteStrength).ecu2, m.concreteStrength, annex, choose('depthLimit'));

  const strength = {
    bendingResistance: (c, s, m) => flexure.bendingResistance(c, s, flexureBasis(c, m)),
    shearResistance: (c, s, links, m) => shear.beamResistance(c, s, links, m, shearBasis),
    linkRequirement: (c, force, s, m) => shear.linkRequirement(c, force, s, m, shearBasis),
  } satisfies Partial<DesignCode>;
  const column = columnRules(annex, choose, shearBasis);

  return {
    settings,
    title: `EN 1992-1-1 with ${annex.title}`,
    linkWord: 'links',
    barPrefix: 'H',
    strengthSymbols: { concrete: 'fck', bars: 'fyk', links: 'fywk' },
    linkTitles: { beam: 'Links', column: 'Links' },
    // Class N of AS/NZS 4671 has the uniform strain of class B.
    ductilityClasses: { A: 'A', B: 'B', C: 'C', N: 'N (AS/NZS 4671), as B' },
    cements: { N: 'normal', S: 'slow hardening', R: 'rapid hardening' },
    creepInputs: ['humidity', 'loadingAge', 'dryingAge', 'cement'],
    natures,
    caseLetters: { permanent: 'G', imposed: 'Q', roof: 'QR', snow: 'S', rain: 'R', wind: 'W', earthquake: 'E' },
    categories: { ...categories, ...Object.fromEntries(Object.entries(usesOfOthers).map(([id, [title]]) => [id, title])) },
    bends: 'iso',
    choices,
    defaults: {
      concreteStrength: 30,
      density: 2500e-9,
      unitWeight: 25e-6,
      aggregateSize: 20,
      steelStrength: 500,
      ductility: 'B',
      linkStrength: 500,
      timeDependent: { humidity: 0.5, loadingAge: 28, dryingAge: 7, cement: 'N' },
      catalogue: 'metric',
    },
    concreteGrades: concreteGrades(annex),
    concreteLabel,
    steelLabel: (strength, ductility) => `${ductility === 'N' ? 'D' : 'B'}${Number(strength.toFixed(0))}${ductility}`,
    materialFaults: strengthFaults({
      concreteStrength: [12, 90, 'fck must lie between 12 and 90 MPa (3.1.2).'],
      steelStrength: [400, 600, 'fyk must lie between 400 and 600 MPa (3.2.2(3)).'],
      linkStrength: [200, 600, 'fywk must lie between 200 and 600 MPa.'],
    }),
    concreteLaw: (c, m) => concreteLaw(c, m, annex, choose('diagram')),
    steelLaw: (c, m) => steelLaw(c, m, annex),
    elasticModulus: (c, m) => secantModulus(c, m.concreteStrength),

    combinations: (cases) => combinations(cases, annex, choose('ultimateRule') as UltimateRule),
    patternRule: () => choose('pattern') as ReturnType<DesignCode['patternRule']>,
    supportMoment: () => {
      const rule = choose('supportMoment') as 'face' | 'rounded' | 'centre';
      return { rule, minimumRatio: rule === 'face' ? 0.65 : 0, clause: '5.3.2.2' };
    },
    leastRedistribution: (m) => ({ value: m.ductility === 'A' ? annex.redistribution.k6 : annex.redistribution.k5, clause: '5.5(4)' }),

    ...strength,
    bendingSteel: (c, q) => bendingSteel(c, q, flexureBasis(c, q.materials), depthLimit(c, q.materials, q.delta)),
    isBentFirst: () => true,
    ductility: (c, r, m, delta) => flexure.ductility(c, r, depthLimit(c, m, delta)),
    minimumSteel: (c, s, d, m) => flexure.minimumSteel(c, s, d, m.concreteStrength, m.steelStrength),
    maximumSteel: (c, s) => flexure.maximumSteel(c, s),
    steelClauses: { minimum: '9.2.1.1(1)', maximum: '9.2.1.1(3)', bending: '6.1' },

    shearDistance: (d) => (choose('shearPlace') === 'atD' ? d : 0),
    shearClauses: { resistance: '6.2.3', crushing: '6.2.3(3)', minimum: '9.2.2(5)', along: '9.2.2(6)', across: '9.2.2(8)' },

    clearSpacing,
    layerGap: clearSpacing,
    anchorageLength: (c, bar, place, m) => anchorageLength(c, bar.diameter, place.isTop, place.h, m, annex),
    anchorageClause: '8.4.3',
    // 9.2.1.2(3): links that hold compression bars stand within 15 diameters.
    compressionLinkSpacing: (bar, _link, _width, c) => compressionLinkSpacing(bar, c),
    column,
    service: serviceRules(choose),
    flange: flangeRule,
    beamForm,
    fire: fireRules(annex, choose, (m) => ultimateBasis(silent, m, { ...annex, gammaC: 1, gammaS: 1 }, 'parabola', false)),
    frames: frameCode({ annex, behaviour: Number(choose('behaviour')), code: strength, columnShear: column.shear }),
    flangeShear: (c, q) => ({ ...flangeShear(c, q, annex), clause: '6.2.4' }),
    anchorage: anchorageRules(annex),
    punching: punchingRules(annex),
    slab: slabRules(annex, choose('heldEnds') === 'partly', choose('thinSlabs') === 'rule'),
    torsion: torsionRules(shearBasis, choose),
    notCovered,
  };
}
