import { remember, type Calc } from '../../calc/calc';
import { getUnit } from '../../units/unit';
import {
  readChoice,
  strengthFaults,
  type Choice,
  type CodeEntry,
  type CodeSettings,
  type DesignCode,
  type Materials,
} from '../design-code';
import { anchorageRules, plainLength } from './anchorage';
import { classOf, ductilityClasses } from './capacity-factors';
import { columnChoices, columnRules } from './column-rules';
import { combinations, uses } from './combinations';
import { clearSpacing, compressionSpacing, layerGap } from './detailing';
import { fireChoices, fireRules } from './fire';
import { beamForm } from './beam-form';
import { flangeRule } from './flange-width';
import * as flexure from './flexure';
import { frameCode } from './frames';
import { concreteGrades, concreteLabel, elasticModulus, flexuralTension, steelLaw, stressBlock } from './materials';
import { punchingRules } from './punching';
import { bendingSteel, MOST_KUO } from './required-steel';
import { serviceChoices, serviceRules } from './service';
import { linkRequirement, shearChoices, shearResistance, type ShearMethod } from './shear-rules';
import { slabChoices, slabRules } from './slabs';
import { torsionRules } from './torsion';

/** What AS 3600 leaves to the engineer. */
const choices: readonly Choice[] = [
  {
    key: 'pattern',
    title: 'Loaded spans',
    clause: '2.4.4',
    topic: 'analysis',
    only: 'beams',
    options: { alternateAndAdjacent: 'alternate spans, and any two adjacent', exhaustive: 'every arrangement', allSpans: 'all spans only' },
  },
  {
    key: 'supportMoment',
    title: 'Moment over supports',
    clause: '6.2.3',
    topic: 'analysis',
    only: 'beams',
    options: { face: 'at the face', centre: 'at the centre line' },
  },
  {
    key: 'displaced',
    title: 'Concrete displaced by compressed bars',
    clause: '8.1.2, 10.6.1',
    topic: 'bending',
    options: { deduct: 'deducted', keep: 'not deducted' },
  },
  ...shearChoices,
  ...serviceChoices,
  ...slabChoices,
  ...fireChoices,
  ...columnChoices.map((choice) => ({ ...choice, ...(choice.key === 'narrowing' ? {} : { only: 'columns' as const }) })),
];

const notCovered: DesignCode['notCovered'] = [
  { title: 'Moment-resisting frames', clause: '14', of: 'beams' },
  { title: 'Moment-resisting frames', clause: '14', of: 'columns' },
  { title: 'Transmission of axial force through floors', clause: '10.8', of: 'columns' },
  { title: 'Shear between flange and web', clause: '8.4', of: 'beams' },
];

const defaults: DesignCode['defaults'] = {
  concreteStrength: 32,
  density: 2400 * getUnit('kg/m3').factor,
  unitWeight: 25e-6,
  aggregateSize: 20,
  steelStrength: 500,
  ductility: 'N',
  linkStrength: 500,
  timeDependent: { humidity: 0.5, loadingAge: 28, dryingAge: 7, cement: '' },
  catalogue: 'australian',
};

/** AS 3600:2018 as the registry has it. */
export const as3600Entry: CodeEntry = {
  id: 'as3600',
  variants: [{ variant: '2018', title: 'AS 3600:2018', short: 'AS 3600', display: 'SI' }],
  make: as3600,
};

/** AS 3600:2018 with Amendment 2. Throws RangeError for another edition. */
export function as3600(settings: CodeSettings): DesignCode {
  if (settings.variant !== '2018') throw new RangeError(`AS 3600 has no edition called "${settings.variant}"`);
  const choose = (key: string) => readChoice(choices, settings, key);
  const method = choose('shearMethod') as ShearMethod;
  const known = new WeakMap<Materials, flexure.FlexureBasis>();
  const basis = (c: Calc, m: Materials) =>
    remember(known, m, c, (): flexure.FlexureBasis => ({
      concrete: stressBlock(c, m.concreteStrength),
      steel: steelLaw(c, m.steelStrength),
      ductility: classOf(m),
      reducesNarrow: choose('narrowing') === 'reduce',
      deductsDisplaced: choose('displaced') === 'deduct',
    }));
  return {
    settings,
    title: 'AS 3600:2018',
    linkWord: 'links',
    barPrefix: 'ø',
    strengthSymbols: { concrete: 'f′c', bars: 'fsy', links: 'fsy.f' },
    linkTitles: { beam: 'Fitments', column: 'Fitments' },
    ductilityClasses,
    cements: {},
    creepInputs: ['loadingAge'],
    natures: {
      permanent: 'permanent',
      imposed: 'imposed',
      roof: 'roof',
      snow: 'snow, ultimate',
      rain: 'rain, ultimate',
      wind: 'wind, ultimate',
      earthquake: 'earthquake, ultimate',
      settlement: 'settlement',
    },
    caseLetters: { permanent: 'G', imposed: 'Q', roof: 'Qr', snow: 'Su', rain: 'R', wind: 'Wu', earthquake: 'Eu' },
    categories: Object.fromEntries(Object.entries(uses).map(([id, [title]]) => [id, title])),
    bends: 'iso',
    choices,
    defaults,
    concreteGrades,
    concreteLabel,
    steelLabel: (strength, ductility) => `${'ABC'.includes(ductility) ? 'B' : 'D'}${Number(strength.toFixed(0))}${ductility}`,
    materialFaults: strengthFaults({
      concreteStrength: [20, 100, 'f′c must lie between 20 and 100 MPa (3.1.1.1).'],
      steelStrength: [250, 600, 'fsy must lie between 250 and 600 MPa (3.2.1).'],
      linkStrength: [250, 600, 'fsy.f must lie between 250 and 600 MPa (3.2.1).'],
    }),
    concreteLaw: (c, m) => basis(c, m).concrete,
    steelLaw: (c, m) => basis(c, m).steel,
    elasticModulus: (c, m) => elasticModulus(c, m.concreteStrength, m.density),

    combinations,
    patternRule: () => choose('pattern') as ReturnType<DesignCode['patternRule']>,
    supportMoment: () => ({ rule: choose('supportMoment') as 'face' | 'centre', minimumRatio: 0, clause: '6.2.3' }),
    // 6.2.7.2: by at most 30 % where kuo is small enough; bars of class L allow none.
    leastRedistribution: (m) => ({ value: classOf(m) === 'N' ? 0.7 : 1, clause: '6.2.7.2' }),

    bendingResistance: (c, s, m) => flexure.bendingResistance(c, s, basis(c, m)),
    bendingSteel: (c, q) => bendingSteel(c, q, basis(c, q.materials), q.delta),
    // 10.1.1: members with N* of less than 0.1 f'c Ag are bent in the first place.
    isBentFirst: (axial, area, m) => axial < 0.1 * m.concreteStrength * area,
    ductility: (c, r, _m, delta) => flexure.ductility(c, r, flexure.mostDepth(delta, MOST_KUO)),
    minimumSteel: (c, s, d, m) => flexure.minimumSteel(c, s, d, flexuralTension(c, m.concreteStrength), m.steelStrength),
    maximumSteel: () => undefined,
    steelClauses: { minimum: '8.1.6.1', maximum: '8.1.5', bending: '8.1' },

    shearByActions: true,
    shearResistance: (c, s, links, m) => shearResistance(c, s, links, m, method),
    linkRequirement: (c, force, s, m) => linkRequirement(c, force, s, m, method),
    shearDistance: (d) => (choose('shearPlace') === 'atD' ? d : 0),
    shearClauses: { resistance: '8.2.3.1', crushing: '8.2.3.3', minimum: '8.2.1.7', along: '8.3.2.2', across: '8.3.2.2' },

    clearSpacing,
    layerGap,
    anchorageLength: (c, bar, place, m) => plainLength(c, bar.diameter, place, m),
    anchorageClause: '13.1.2.2',
    compressionLinkSpacing: (bar, _link, leastWidth) => compressionSpacing(bar, leastWidth),
    column: columnRules(choose),
    service: serviceRules(choose),
    anchorage: anchorageRules,
    punching: punchingRules,
    slab: slabRules(choose, method),
    torsion: torsionRules(method),
    flange: flangeRule,
    beamForm,
    frames: frameCode,
    fire: fireRules(choose),
    notCovered,
  };
}
