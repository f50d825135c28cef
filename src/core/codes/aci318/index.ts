import { remember, silent, type Calc } from '../../calc/calc';
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
import { columnChoices, columnRules } from './column-rules';
import { combinations } from './combinations';
import { clearSpacing, compressionStirrupSpacing, developmentLength, layerGap } from './detailing';
import { anchorageRules } from './anchorage';
import * as flexure from './flexure';
import {
  beta1,
  concreteGrades,
  concreteLabel,
  elasticModulus,
  INCH,
  lightweightFactor,
  PSI,
  steelLabel,
  steelModulus,
  yieldStrain,
} from './materials';
import { punchingRules } from './punching';
import { serviceChoices, serviceRules } from './service';
import * as shear from './shear';
import { slabRules } from './slabs';
import { fireChoices, fireRules } from './fire';
import { beamForm } from './beam-form';
import { flangeRule } from './flange-width';
import { frameCode } from './frames';
import { torsionChoices, torsionRules } from './torsion';
import type { Form } from './symbols';

/** What ACI 318-19 leaves to the engineer. */
const choices: readonly Choice[] = [
  {
    key: 'liveCompanion',
    title: 'Live load with other loads',
    clause: '5.3.3',
    topic: 'combinations',
    options: { '1': '1.0 L in (c), (d), (e)', '0.5': '0.5 L: not garages, assembly, nor above 4.8 kPa (100 psf)' },
  },
  {
    key: 'settlementFactor',
    title: 'Factor on settlement',
    clause: '5.3.6',
    topic: 'combinations',
    options: { min: 1, max: 1.6, usual: 1 },
  },
  {
    key: 'sustainedShare',
    title: 'Sustained share of live load, for deflections and for βdns of columns (our choice: the code has no figure)',
    clause: '24.2.4.1, 6.6.4.4.4',
    topic: 'combinations',
    options: { min: 0, max: 1, usual: 0.5 },
  },
  {
    key: 'pattern',
    title: 'Loaded spans',
    clause: '6.4.2',
    topic: 'analysis',
    only: 'beams',
    options: { alternateAndAdjacent: 'alternate spans, and any two adjacent', exhaustive: 'every arrangement', allSpans: 'all spans only' },
  },
  {
    key: 'supportMoment',
    title: 'Moment over supports',
    clause: '9.4.2.1',
    topic: 'analysis',
    only: 'beams',
    options: { face: 'at the face', centre: 'at the centre line' },
  },
  {
    key: 'compressionBars',
    title: 'Bars in the compressed zone',
    clause: '22.2',
    topic: 'bending',
    only: 'beams',
    options: { count: 'counted in the strength', ignore: 'left out' },
  },
  {
    key: 'displaced',
    title: 'Concrete displaced by compressed bars',
    clause: '22.2',
    topic: 'bending',
    options: { deduct: 'deducted', keep: 'not deducted' },
  },
  {
    key: 'yieldStrain',
    title: 'Yield strain of Grade 420 / 60',
    clause: '21.2.2.1',
    topic: 'bending',
    options: { exact: 'fy / Es', rounded: '0.002' },
  },
  {
    key: 'flangeInTension',
    title: 'Minimum reinforcement, flange in tension',
    clause: '9.6.1.2',
    topic: 'bending',
    only: 'beams',
    options: { web: 'width of the web (indeterminate beam)', double: 'flange, to twice the web (determinate)' },
  },
  {
    key: 'concreteShear',
    title: 'Shear strength of concrete',
    clause: 'table 22.5.5.1',
    topic: 'shear',
    options: { larger: 'the larger of (a) and (b)', a: '(a)', b: '(b)' },
  },
  {
    key: 'shearPlace',
    title: 'Shear near supports',
    clause: '9.4.3.2',
    topic: 'shear',
    only: 'beams',
    options: { atD: 'at d from the face', atFace: 'at the face' },
  },
  ...torsionChoices,
  ...serviceChoices,
  ...fireChoices,
  ...columnChoices.map((choice) => ({ ...choice, only: 'columns' as const })),
];

const notCovered: DesignCode['notCovered'] = [{ title: 'Integrity of one-way slabs', clause: '7.7.7', of: 'slabs' }];

/** Creep and shrinkage do not rest on these here (24.2.4.1.1). */
const timeDependent = { humidity: 0.5, loadingAge: 28, dryingAge: 7, cement: '' };

/** ACI 318-19 as the registry has it, in both its forms. */
export const aci318Entry: CodeEntry = {
  id: 'aci318',
  variants: [
    { variant: 'SI', title: 'ACI 318-19, SI form', short: 'ACI 318 SI', display: 'SI' },
    { variant: 'US', title: 'ACI 318-19, US customary form', short: 'ACI 318 US', display: 'US' },
  ],
  make: aci318,
};

/** ACI 318-19; `settings.variant` is its form, "SI" or "US". Throws RangeError for another form. */
export function aci318(settings: CodeSettings): DesignCode {
  if (settings.variant !== 'SI' && settings.variant !== 'US') throw new RangeError(`ACI 318 has no form called "${settings.variant}"`);
  const form: Form = settings.variant;
  const choose = (key: string) => readChoice(choices, settings, key);
  const epsTy = (c: Calc, m: Materials) => yieldStrain(c, m.steelStrength, form, choose('yieldStrain') === 'rounded');

  const known = new WeakMap<Materials, flexure.FlexureBasis>();
  const flexureBasis = (c: Calc, m: Materials) => remember(known, m, c, () => makeBasis(c, m));
  function makeBasis(c: Calc, m: Materials): flexure.FlexureBasis {
    return {
      concrete: {
        kind: 'block',
        depthFactor: beta1(c, m.concreteStrength, form),
        stress: 0.85 * m.concreteStrength,
        ultimateStrain: 0.003,
      },
      steel: { yield: m.steelStrength, modulus: steelModulus(form) },
      fc: m.concreteStrength,
      epsTy: epsTy(c, m),
      form,
      countCompressionBars: choose('compressionBars') === 'count',
      deductDisplaced: choose('displaced') === 'deduct',
    };
  }
  const bases = new WeakMap<Materials, shear.ShearBasis>();
  const shearBasis = (m: Materials) => remember(bases, m, silent, () => makeShearBasis(m));
  const makeShearBasis = (m: Materials): shear.ShearBasis => ({
    known: new WeakMap(),
    form,
    fc: m.concreteStrength,
    lambda: lightweightFactor(silent, m.density, form),
    fyt: shear.countedStirrupStrength(m.linkStrength, form),
    row: choose('concreteShear') as shear.ShearBasis['row'],
  });
  const SI = form === 'SI';

  const strength = {
    bendingResistance: (c, s, m) => flexure.bendingResistance(c, s, flexureBasis(c, m)),
    shearResistance: (c, s, links, m) => shear.shearResistance(c, s, links, shearBasis(m)),
    linkRequirement: (c, force, s, m) => shear.linkRequirement(c, force, s, shearBasis(m)),
  } satisfies Partial<DesignCode>;
  const anchorageLength: DesignCode['anchorageLength'] = (c, { diameter }, place, m) =>
    developmentLength(
      c,
      { ...place, diameter },
      { fc: m.concreteStrength, fy: m.steelStrength, lambda: lightweightFactor(silent, m.density, form), form },
    );
  const column = columnRules(form, choose, shearBasis);
  const liveCompanion = choose('liveCompanion') === '0.5' ? 0.5 : 1;

  return {
    settings,
    title: `ACI 318-19, ${SI ? 'SI' : 'US customary'} form`,
    linkWord: 'stirrups',
    barPrefix: 'ø',
    strengthSymbols: { concrete: 'f′c', bars: 'fy', links: 'fyt' },
    linkTitles: { beam: 'Stirrups', column: 'Ties' },
    ductilityClasses: {},
    cements: {},
    creepInputs: [],
    natures: {
      permanent: 'dead',
      imposed: 'live',
      roof: 'roof live',
      snow: 'snow',
      rain: 'rain',
      wind: 'wind',
      earthquake: 'earthquake',
      settlement: 'settlement',
    },
    caseLetters: { permanent: 'D', imposed: 'L', roof: 'Lr', snow: 'S', rain: 'R', wind: 'W', earthquake: 'E' },
    categories: {},
    bends: 'aci',
    choices,
    defaults: SI
      ? {
          concreteStrength: 28,
          density: 2400e-9,
          unitWeight: 24e-6,
          aggregateSize: 20,
          steelStrength: 420,
          ductility: '',
          linkStrength: 420,
          timeDependent,
          catalogue: 'softMetric',
        }
      : {
          concreteStrength: 4000 * PSI,
          density: 150 * getUnit('pcf').factor,
          unitWeight: (150 * getUnit('lb').factor) / 304.8 ** 3,
          aggregateSize: 0.75 * INCH,
          steelStrength: 60_000 * PSI,
          ductility: '',
          linkStrength: 60_000 * PSI,
          timeDependent,
          catalogue: 'us',
        },
    concreteGrades: concreteGrades[form],
    concreteLabel: (strength) => concreteLabel(strength, form),
    steelLabel: (strength) => steelLabel(strength, form),
    materialFaults: strengthFaults({
      concreteStrength: [17, 140, 'f′c must be at least 17 MPa, 2500 psi (19.2.1.1), and at most 140 MPa here.'],
      steelStrength: [270, 690, 'fy must lie between 270 and 690 MPa, 40 and 100 ksi (20.2.2).'],
      linkStrength: [200, 690, 'fyt must lie between 200 and 690 MPa.'],
    }),
    countedStrength: (m) => {
      const most = shear.countedStirrupStrength(Infinity, form);
      return {
        ...(m.linkStrength > most + 0.05 ? { linkStrength: { value: most, why: 'counted in shear and torsion, 20.2.2.4' } } : {}),
        ...(m.steelStrength > most + 0.05 ? { steelStrength: { value: most, why: 'counted for bars against torsion, 20.2.2.4' } } : {}),
      };
    },
    concreteLaw: (c, m) => flexureBasis(c, m).concrete,
    steelLaw: (c, m) => flexureBasis(c, m).steel,
    elasticModulus: (c, m) => elasticModulus(c, m.concreteStrength, m.density, form),

    combinations: (cases) =>
      combinations(cases, { liveCompanion, settlement: Number(choose('settlementFactor')), sustained: Number(choose('sustainedShare')) }),
    patternRule: () => choose('pattern') as ReturnType<DesignCode['patternRule']>,
    supportMoment: () => ({ rule: choose('supportMoment') as 'face' | 'centre', minimumRatio: 0, clause: '9.4.2.1' }),
    leastRedistribution: () => ({ value: 0.8, clause: '6.6.5' }),

    ...strength,
    bendingSteel: (c, q) => {
      const basis = flexureBasis(c, q.materials);
      return flexure.bendingSteel(c, q, basis, flexure.leastStrain(c, basis.epsTy, q.delta));
    },
    // 9.3.3.1: Pu below 0.10 f'c Ag.
    isBentFirst: (axial, area, m) => axial < 0.1 * m.concreteStrength * area,
    ductility: (c, r, m, delta) => flexure.ductility(c, r, flexure.leastStrain(c, epsTy(c, m), delta)),
    minimumSteel: (c, s, d, m) =>
      flexure.minimumSteel(c, s, d, m.concreteStrength, m.steelStrength, form, choose('flangeInTension') === 'double'),
    maximumSteel: () => undefined,
    steelClauses: { minimum: '9.6.1.2', maximum: '9.3.3.1', bending: '22.3' },

    shearDistance: (d) => (choose('shearPlace') === 'atD' ? d : 0),
    shearClauses: { resistance: '22.5', crushing: '22.5.1.2', minimum: '9.6.3.4', along: '9.7.6.2.2', across: '9.7.6.2.2' },

    clearSpacing: (diameter, aggregate, c) => clearSpacing(diameter, aggregate, form, c),
    layerGap: () => layerGap(form),
    anchorageLength,
    anchorageClause: '25.4.2.3',
    compressionLinkSpacing: compressionStirrupSpacing,
    column,
    service: serviceRules(form, choose),
    anchorage: anchorageRules(form),
    punching: punchingRules({ form }),
    slab: slabRules(form, shearBasis),
    torsion: torsionRules(form, shearBasis, choose),
    flange: flangeRule,
    beamForm,
    fire: fireRules(choose),
    frames: frameCode({
      form,
      code: { ...strength, anchorageLength },
      columnShear: column.shear,
      epsTy: (m) => epsTy(silent, m),
      liveCompanion,
    }),
    notCovered,
  };
}
