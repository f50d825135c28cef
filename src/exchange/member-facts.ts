import { supportName } from '@/core/members/beam/input';
import type { BeamResult } from '@/core/members/beam/result';
import type { ColumnAxis } from '@/core/members/column/input';
import type { ColumnResult } from '@/core/members/column/result';
import { stripLoadText } from '@/core/members/strip/load-text';
import { columnBarsLabel, layerLabel, sizeLabel, tieLabel, wallBarsLabel } from '@/core/project/labels';
import { panelEdges } from '@/core/analysis/panel';
import { slabSides } from '@/core/geometry/control-perimeter';
import type {
  BeamMember,
  LineMember,
  Member,
  MemberResult,
  PanelMember,
  Project,
  PunchingMember,
  StripMember,
  UprightMember,
} from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import type { UnitSystem } from '@/core/units/quantity';

type Line = [title: string, text: string];

/** What a report says of a member's input, in lines of title and text. */
export function memberFacts(project: Project, member: Member, result: MemberResult): Line[] {
  if (member.type === 'beam') return result.type === 'beam' ? beamFacts(project, member, result) : [];
  if (member.type === 'punching') return punchingFacts(project, member);
  if (member.type === 'panel') return panelFacts(project, member, result);
  if (member.type === 'strip') return stripFacts(project, member, result);
  return result.type === 'column' || result.type === 'wall' ? columnFacts(project, member, result) : [];
}

/** Spans and supports of what is analysed along a line. */
const lineFacts = ({ spans, supports }: LineMember, units: UnitSystem): Line[] => [
  ['Spans', spans.map((s) => formatQuantity(s.length, 'span', units)).join(', ')],
  [
    'Supports',
    supports.map((s, i) => `${supportName(i)} ${s.type}${s.width ? ` ${formatQuantity(s.width, 'length', units)} wide` : ''}`).join(', '),
  ],
];

function panelFacts(project: Project, member: PanelMember, result: MemberResult): Line[] {
  const units = project.display;
  const cover = (v: number) => formatQuantity(v, 'smallLength', units);
  const w = result.type === 'panel' ? result.load : 0;
  const share = result.type === 'panel' ? (result.moments?.share ?? null) : null;
  return [
    ['Panel', `${sizeLabel(member, units)}, supports ${formatQuantity(member.supportWidth, 'length', units)} wide`],
    ['Edges', panelEdges.map((e) => `${e} ${member.edges[e]}`).join(', ')],
    ['Corners', member.isHeldDown ? 'held down' : 'may lift'],
    [
      'Method',
      member.method === 'strips'
        ? `strips both ways${share === null ? '' : `, ${Math.round(100 * share)} % of the load along x${member.share === null ? ' from equal deflections' : ', set'}`}`
        : member.method === 'coefficients'
          ? 'coefficients of the code for stiff beams along all edges'
          : `yield lines, hogging over sagging ${member.supportRatio}, along y over along x ${(member.mu ?? (member.lx / member.ly) ** 2).toFixed(2)}`,
    ],
    [
      'Cover to the outer bars',
      `top ${cover(member.cover.top)}, bottom ${cover(member.cover.bottom)}, outermost: bars along ${member.outer}`,
    ],
    ['Load cases', caseFacts(member)],
    ['Loads', member.loads.map((l) => `${l.case} ${formatQuantity(l.value, 'areaLoad', units)}${l.note ? `, ${l.note}` : ''}`).join('; ')],
    ['Ultimate load', formatQuantity(w, 'areaLoad', units)],
    ['Combinations', combinations(result)],
    ...byHand(result, units),
  ];
}

const caseFacts = ({ cases }: Pick<LineMember, 'cases'>) =>
  cases.map((c) => `${c.id} ${c.title} (${c.nature}${c.nature === 'imposed' ? `, category ${c.category}` : ''})`).join('; ');

function stripFacts(project: Project, member: StripMember, result: MemberResult): Line[] {
  const units = project.display;
  const cover = (v: number) => formatQuantity(v, 'smallLength', units);
  const steel = result.type === 'strip' ? result.steel : null;
  return [
    ['Slab', `${formatQuantity(member.h, 'length', units)} deep, a strip ${units === 'US' ? 'a foot' : 'a metre'} wide is designed`],
    ...lineFacts(member, units),
    [
      'Cover to the outer bars',
      `top ${cover(member.cover.top)}, bottom ${cover(member.cover.bottom)}, outermost: bars ${member.outer} the span`,
    ],
    ['Load cases', caseFacts(member)],
    ['Loads', member.loads.map((l) => `${l.case} ${stripLoadText(l, units)}${l.note ? `, ${l.note}` : ''}`).join('; ')],
    ...(steel
      ? [
          [
            'Bars across',
            [steel.across.bottom, ...(steel.across.top ? [steel.across.top] : [])].map((b) => layerLabel(b, project)).join(' below, ') +
              (steel.across.top ? ' above' : ' below'),
          ] as Line,
        ]
      : []),
    ['Combinations', combinations(result)],
    ...byHand(result, units),
  ];
}

function beamFacts(project: Project, member: BeamMember, result: BeamResult): Line[] {
  const units = project.display;
  const loads = member.mode === 'loads' ? caseFacts(member) : 'known design forces';
  return [
    ...lineFacts(member, units),
    [
      'Cover to links',
      `top ${formatQuantity(member.cover.top, 'smallLength', units)}, bottom ${formatQuantity(member.cover.bottom, 'smallLength', units)}, sides ${formatQuantity(member.cover.side, 'smallLength', units)}`,
    ],
    ['Load cases', loads],
    // Known forces are combined already.
    ...(member.mode === 'loads' ? [['Combinations', combinations(result)] as Line] : []),
    ...byHand(result, units),
  ];
}

function punchingFacts(project: Project, member: PunchingMember): Line[] {
  const units = project.display;
  const length = (v: number) => formatQuantity(v, 'length', units);
  const edges = slabSides.filter((s) => member.edges[s] !== null).map((s) => `${s} ${length(member.edges[s]!)}`);
  return [
    ['Slab', `${length(member.h)} deep, cover to the outer top bars ${formatQuantity(member.cover, 'smallLength', units)}`],
    ['Edges from the column', edges.join(', ') || 'none near'],
    [
      'Openings',
      member.openings
        .map(
          (o) => `${o.kind === 'circle' ? `ø ${length(o.diameter)}` : `${length(o.b)} × ${length(o.h)}`} at ${length(o.x)}, ${length(o.y)}`,
        )
        .join('; ') || 'none',
    ],
    [
      'Forces',
      member.sets
        .map(
          (s) =>
            `${s.name}: V ${formatQuantity(s.V, 'force', units)}, Mx ${formatQuantity(s.Mx, 'moment', units)}, My ${formatQuantity(s.My, 'moment', units)}`,
        )
        .join('; '),
    ],
  ];
}

const byHand = (result: MemberResult, units: UnitSystem): Line[] =>
  result.handChecks.map((h) => [
    h.title,
    `by hand ${formatQuantity(h.byHand, h.kind, units)}, by analysis ${formatQuantity(h.byAnalysis, h.kind, units)}: ${h.agrees ? 'agrees' : 'differs'}`,
  ]);

const combinations = (result: MemberResult) =>
  result.combinations
    .filter((c) => c.kind === 'ultimate')
    .map((c) => `${c.id}: ${c.factors.map((f) => `${Number(f.factor.toFixed(3))} ${f.caseId}`).join(' + ')}`)
    .join('; ');

function columnFacts(project: Project, member: UprightMember, result: ColumnResult): Line[] {
  const units = project.display;
  const length = (v: number) => formatQuantity(v, 'station', units);
  const axis = (key: 'x' | 'y', a: ColumnAxis): Line => {
    const s = result.slenderness[key];
    const how = { factor: 'factor given', length: 'length given', ends: 'from the beams and columns at both ends' }[a.mode];
    const slender = s
      ? `, slenderness ${s.value.toFixed(1)} against ${s.limit.toFixed(1)}: ${s.isSlender ? 'slender' : 'not slender'}`
      : '';
    return [`Bending about ${key}`, `${a.isBraced ? 'braced' : 'unbraced'}, effective length ${s ? length(s.l0) : '–'} (${how})${slender}`];
  };
  return [
    ['Section', sizeLabel(member, units)],
    ['Clear height', length(member.height)],
    [member.type === 'wall' ? 'Cover to the outer bars' : 'Cover to ties', formatQuantity(member.cover, 'smallLength', units)],
    [
      'Bars',
      `${member.type === 'wall' ? wallBarsLabel(project, member) : columnBarsLabel(project, result.bars)}, ${(100 * result.steelRatio).toFixed(2)} %`,
    ],
    ...(member.type === 'column' ? [['Ties', tieLabel(project, member)] as Line] : []),
    axis('x', member.axes.x),
    axis('y', member.axes.y),
    ['Load sets', `${result.sets.length}, ${member.mode === 'cases' ? 'combined by the code' : 'as given'}`],
    ...(member.mode === 'cases' ? [['Combinations', combinations(result)] as Line] : []),
    ...byHand(result, units),
  ];
}
