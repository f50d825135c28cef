import { silent } from '../../calc/calc';
import type { DesignCode, ShearSection } from '../../codes/design-code';
import type { SpanLoads } from '../../codes/service-rules';
import { panelEdges, type EdgeHold, type PanelMoments } from '../../analysis/panel';
import { layerOf } from '../../reinforcement/slab-bars';
import { formatQuantity } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import { compareCheck } from '../../checks/compare';
import { checkInWords, type DerivableCheck } from '../../checks/check';
import { besideCalculation, noSpanDepth } from '../parts/beside-calculation';
import { directionOf, placeTitle, type PanelInput } from './input';
import type { PanelSection } from './result';
import { slabBending, slabDuctility, slabSteelChecks } from '../parts/slab-steel-checks';
import { reinforced, resistanceOf, WIDTH } from '../parts/slab-metre';
import type { PreparedPanel } from './sections';

export interface PanelBasis {
  readonly panel: PreparedPanel;
  readonly code: DesignCode;
  readonly units: UnitSystem;
  readonly w: number;
  readonly combination: string;
  readonly moments: PanelMoments;
  readonly sections: readonly PanelSection[];
}

const here = (label: string) => ({ x: null, label });

const insetFrom = ({ panel }: PanelBasis, s: PanelSection) => panel.h - s.d - layerOf(s.bars, panel.catalogue).diameter / 2;

/** Bending at every place that has bars. */
export const panelBending = (basis: PanelBasis): DerivableCheck[] =>
  basis.sections
    .filter((s) => s.moment > 0)
    .map((s) => {
      const name = placeTitle(s.place);
      return slabBending(basis.panel, basis.code, {
        ...s,
        required: s.required ?? Infinity,
        id: `bending-${s.place}`,
        title: `Bending, ${name}`,
        name,
        place: here(name),
        combination: basis.combination,
        section: reinforced(basis.panel, s.bars, insetFrom(basis, s)).section,
        momentIs: ['moment per length of slab', 'by the method above'],
        tell: (c) => c.note(methodNote(basis.panel)),
      });
    });

function methodNote({ method, share, isHeldDown }: PanelInput): string {
  if (method === 'coefficients')
    return 'The larger moment of middle and column strips by the coefficients of the code, for stiff beams along the edges, on a metre.';
  if (method === 'yieldLines')
    return `The moment at collapse by yield lines${isHeldDown ? '' : ', a tenth more where corners may lift'}, on a metre.`;
  const how = share === null ? 'that make both directions sink alike in the middle' : 'with the share of the load that was set';
  const plate = share === null ? 'not below the means of the elastic plate, and ' : '';
  const safe = isHeldDown ? `; twisting of the held corners takes its part, ${plate}not so small that yield lines form` : '';
  return `The moment of strips both ways ${how}${safe}, on a metre.`;
}

/** Minimum reinforcement and largest spacing. */
export const panelSteel = ({ panel, code, sections }: PanelBasis): DerivableCheck[] =>
  slabSteelChecks(
    panel,
    code,
    sections.map((s) => ({ ...s, title: placeTitle(s.place) })),
  );

/** Shear without links where it is largest: at d from the face of each edge. */
export function panelShear(basis: PanelBasis): DerivableCheck[] {
  const { panel, code, w, moments, sections, combination } = basis;
  const share = moments.share;
  const rows = panelEdges.map((edge) => {
    const direction = directionOf(edge);
    const bars = sections.find((s) => s.place === edge && s.moment > 0) ?? sections.find((s) => s.place === direction);
    const d = bars?.d ?? panel.h - panel.cover.bottom - 12;
    const q = share === null ? w : w * (direction === 'x' ? share : 1 - share);
    // At an edge the shear of the plate falls by the whole load or more per length: less of it is taken off.
    const force = Math.max(0, moments.shear[edge] - q * (panel.supportWidth / 2 + code.shearDistance(d)));
    const section: ShearSection = { bw: WIDTH, d, h: panel.h, tensionArea: (bars?.provided ?? 0) * WIDTH, grossArea: WIDTH * panel.h };
    const capacity = code.slab.plainShear(silent, section, panel.materials).force / WIDTH;
    return { edge, force, section, capacity };
  });
  const worst = rows.reduce((a, b) => (b.force / b.capacity > a.force / a.capacity ? b : a));
  return [
    compareCheck({
      id: 'shear',
      family: 'shear',
      title: `Shear without ${code.linkWord}, ${worst.edge} edge`,
      clause: code.slab.clauses.shear,
      place: here(`${worst.edge} edge`),
      combination,
      assumptions: code.choices.filter((c) => c.key === 'shearPlace').map((c) => c.key),
      kind: 'lineLoad',
      compare: (c) => ({
        demand: worst.force,
        demandIs: ['shear per length of slab', 'of the strip or of the plate at the edge, the larger, where the code asks for it'],
        capacity: code.slab.plainShear(c, worst.section, panel.materials).force / WIDTH,
        capacityIs: ['resistance per length of slab', 'that of the metre over its width'],
      }),
      fails: (force, capacity) => `Shear at the ${worst.edge} edge: ${force} against ${capacity}: a deeper slab.`,
    }),
  ];
}

/** Span over depth of the shorter span, in place of a calculated deflection. */
export function panelDepth({ panel, code, sections }: PanelBasis, loads: SpanLoads): DerivableCheck[] {
  const short = panel.lx <= panel.ly ? ('x' as const) : ('y' as const);
  const bars = sections.find((s) => s.place === short);
  if (!bars) return [];
  const [a, b] = short === 'x' ? [panel.edges.left, panel.edges.right] : [panel.edges.bottom, panel.edges.top];
  const [c, d] = short === 'x' ? [panel.edges.bottom, panel.edges.top] : [panel.edges.left, panel.edges.right];
  const goesOn = (...edges: readonly EdgeHold[]) => edges.filter((e) => e === 'continuous').length;
  const held = goesOn(a, b);
  const [shorter, longer] = [Math.min(panel.lx, panel.ly), Math.max(panel.lx, panel.ly)];
  const clear = (l: number) => code.slab.panelSpan(l, panel.supportWidth);
  // Not below the least steel: what is required for strength alone; what is there where no steel is enough.
  const required = bars.required ?? bars.provided;
  const q = {
    materials: panel.materials,
    system: (['simple', 'oneEnd', 'bothEnds'] as const)[held]!,
    length: clear(shorter),
    long: clear(longer),
    beamStiffness: panel.beamStiffness,
    continuous: { long: held, short: goesOn(c, d) },
    loads,
    h: panel.h,
    d: bars.d,
    ratio: required / bars.d,
    compressionRatio: 0,
    provided: required > 0 ? bars.provided / required : 1.5,
    flange: 1,
    hasPartitions: panel.hasPartitions,
    isSlab: true,
  };
  const { actual: has, limit: allowed, clause, refusal } = code.slab.twoWayDepth(silent, q);
  if (refusal) return [noSpanDepth({ id: 'span-depth', label: `along ${short}`, x: null, clause, refusal }, code)];
  const decides = code.service.deflectionBy !== 'curvature';
  const check = compareCheck({
    id: 'span-depth',
    family: 'deflection',
    title: `${code.service.spanDepthTitle}, along ${short}`,
    clause,
    place: here(`middle, along ${short}`),
    kind: 'ratio',
    compare: (c) => {
      const { actual, limit } = code.slab.twoWayDepth(c, q);
      return {
        demand: actual,
        demandIs: ['span over depth', 'of the shorter span'],
        capacity: limit,
        capacityIs: ['limit', 'by the rule above'],
      };
    },
    ...(decides && {
      fails: (actual: string, limit: string) =>
        `The panel is ${actual} times its depth; ${limit} needs no calculation of deflection: deeper, or more bars along ${short}.`,
    }),
  });
  return [decides ? check : besideCalculation(check, has, allowed)];
}

/** The depth of the neutral axis: for yield lines the stricter rule of analysis at collapse, with the ductility of the steel. */
export function panelDuctility(basis: PanelBasis): DerivableCheck[] {
  const { panel, code, sections } = basis;
  const states = sections.flatMap((s) => {
    const { section } = reinforced(panel, s.bars, insetFrom(basis, s));
    const r = resistanceOf(panel, code, section);
    return r && s.moment > 0 ? [{ s, r, section }] : [];
  });
  if (states.length === 0) return [];
  const plastic = panel.method === 'yieldLines' ? code.slab.plasticDepth(panel.materials) : null;
  if (plastic) {
    const worst = states.reduce((a, b) => (b.r.x / b.r.d > a.r.x / a.r.d ? b : a));
    const ratio = worst.r.x / worst.r.d;
    const at = placeTitle(worst.s.place);
    return [
      compareCheck({
        id: 'ductility',
        family: 'detailing',
        title: 'Depth of neutral axis, at collapse',
        clause: plastic.clause,
        place: here(at),
        kind: 'ratio',
        write: (v) => v.toFixed(3),
        compare: (c) => {
          code.bendingResistance(c, worst.section, panel.materials);
          return {
            demand: ratio,
            demandIs: ['x/d', 'of the section above'],
            capacity: plastic.value,
            capacityIs: ['limit', 'for analysis at collapse'],
            ...(plastic.refusal ? { utilisation: Infinity } : {}),
          };
        },
        fails: (is, limit) => plastic.refusal ?? `${at}: x/d ${is} against ${limit}: less steel, or a deeper slab.`,
      }),
    ];
  }
  return slabDuctility(
    panel,
    code,
    states.map(({ s, section }) => ({ title: placeTitle(s.place), section })),
  );
}

/** Corners between edges that are free to turn: kept from lifting they need bars, not kept they lift. */
export function panelCorners({ panel, code, moments, units }: PanelBasis): DerivableCheck[] {
  const { edges, isHeldDown } = panel;
  const pairs = [
    ['left', 'bottom'],
    ['right', 'bottom'],
    ['left', 'top'],
    ['right', 'top'],
  ] as const;
  const free = pairs.filter(([a, b]) => edges[a] === 'simple' && edges[b] === 'simple');
  if (free.length === 0) return [];
  const most = formatQuantity(Math.max(moments.x, moments.y), 'lineTorque', units);
  return [
    checkInWords({
      id: 'corners',
      family: 'detailing',
      title: isHeldDown ? 'Bars in corners that are held down' : 'Corners that may lift',
      clause: code.slab.corners.clause,
      status: 'notApplicable',
      place: here(free.map((p) => p.join(' ')).join(', ')),
      reason: isHeldDown
        ? `Corners ${free.map((p) => p.join(' ')).join(', ')}: ${code.slab.corners.text}, for ${most}.`
        : 'Nothing keeps these corners down: twisting is not counted on, and they lift under load.',
    }),
  ];
}

/** The coefficients hold for imposed loads that are not much larger than the permanent ones. */
export function coefficientChecks({ panel, code }: PanelBasis): DerivableCheck[] {
  const limits = code.slab.coefficientLimits;
  if (panel.method !== 'coefficients' || !limits) return [];
  const { loadRatio, note } = limits;
  const isPermanent = (id: string) => panel.cases.find((c) => c.id === id)?.nature === 'permanent';
  const sum = (wanted: boolean) => panel.loads.filter((l) => isPermanent(l.case) === wanted).reduce((s, l) => s + l.value, 0);
  const dead = sum(true) + (panel.selfWeight ? panel.h * panel.unitWeight : 0);
  const ratio = dead > 0 ? sum(false) / dead : Infinity;
  return [
    compareCheck({
      id: 'coefficients',
      family: 'detailing',
      title: 'Imposed over permanent load',
      clause: loadRatio.clause,
      place: here(''),
      warnings: [note],
      kind: 'ratio',
      compare: () => ({
        demand: ratio,
        demandIs: ['imposed over permanent load', 'of the loads as typed, with self-weight'],
        capacity: loadRatio.value,
        capacityIs: ['largest ratio', 'for which the coefficients hold'],
      }),
      fails: () =>
        `The coefficients hold for imposed loads of at most ${loadRatio.value} times the permanent ones: take strips or yield lines.`,
    }),
  ];
}
