import { silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import { formworkOf, outlinePoints } from '../../geometry/beam-outline';
import { catalogues } from '../../materials/bars';
import {
  barNamed,
  bendRule,
  bentThrough,
  bodyOf,
  closedLink,
  hookedLeg,
  inRow,
  withMarks,
  type BarSet,
  type BendType,
  type DraftSet,
} from '../../model/bar-set';
import type { Corner, Place } from '../../model/centre-line';
import { emptyModel, type MemberModel } from '../../model/member-model';
import { placeBars, type BarGroup, type PlacedBar } from '../../reinforcement/bar-groups';
import { barRuns, type BarRun, type BentEnds } from './bar-runs';
import { supportName, type BeamInput, type LinkZone } from './input';
import type { BeamResult } from './result';
import { faceGeometry, type BeamSteel } from './steel';
import { type PreparedBeam, outlineOf, prepareBeam } from './prepared';

/** The beam as it is to be built; z is 0 at its upper face. */
export function beamModel(beam: PreparedBeam, code: DesignCode, steel: BeamSteel, bent: BentEnds): MemberModel {
  const { starts } = beam;
  const site: Site = { beam, code, steel };
  const runs = barRuns<BarGroup>({
    spans: beam.spans,
    supports: beam.supports,
    steel,
    bent,
    endCover: beam.cover.side,
    lap: (bars, face, span) => lapOf(site, bars, face, span),
  });
  const drafts = [...runs.flatMap((run) => barsOf(site, run)), ...sideBars(site, runs), ...beam.spans.flatMap((_, i) => linksOf(site, i))];
  return {
    concrete: beam.spans.map((_, i) => {
      const o = outlineOf(beam, i);
      return {
        along: 'x',
        from: starts[i]!,
        to: starts[i + 1]!,
        outline: { outer: outlinePoints(o).map(([y, z]) => [y, z - o.h]), holes: [] },
      };
    }),
    supports: beam.supports.map(({ type, width }, j) => ({ name: supportName(j), type, at: starts[j]!, width })),
    bars: withMarks(drafts),
  };
}

/** The beam of a result; a section under known forces is that of its first span. */
export function beamInSpace(beam: BeamInput, code: DesignCode, { steel, bent }: Pick<BeamResult, 'steel' | 'bent'>): MemberModel {
  if (!steel) return emptyModel;
  const known = steel.bottom.length;
  const designed =
    known < beam.spans.length ? { ...beam, spans: beam.spans.slice(0, known), supports: beam.supports.slice(0, known + 1) } : beam;
  return beamModel(prepareBeam(designed, code), code, steel, bent);
}

/** Sides and undersides that are shuttered (mm2). */
export const beamFormwork = (beam: PreparedBeam): number =>
  beam.spans.reduce((sum, s, i) => sum + formworkOf(outlineOf(beam, i)) * s.length, 0);

interface Site {
  readonly beam: PreparedBeam;
  readonly code: DesignCode;
  readonly steel: BeamSteel;
}

const barOf = ({ beam }: Site, size: string) => barNamed(size, catalogues[beam.catalogue]);

/** The thickest links of a span: bars are set inside these. */
const thickestLink = (site: Site, span: number) => Math.max(...site.steel.links[span]!.map((z) => barOf(site, z.size).diameter));

/** All bars lap at one section, side by side with two diameters between. */
function lapOf({ beam, code, ...rest }: Site, bars: BarGroup, face: 'top' | 'bottom', span: number): number {
  const { diameter } = barOf({ beam, code, ...rest }, bars.size);
  const { h } = outlineOf(beam, span);
  const question = {
    materials: beam.materials,
    diameter,
    isTop: face === 'top',
    h,
    cover: beam.cover[face],
    clear: 2 * diameter,
    isBent: false,
  };
  return code.anchorage.lap(silent, question, 1);
}

/** Bars of a run where its section shows them; extra bars stand between those that run through. */
function barsOf(site: Site, run: BarRun<BarGroup>): DraftSet[] {
  const { beam, code, steel } = site;
  const extra = run.face === 'bottom' ? steel.bottom[run.span]!.extra?.bars : undefined;
  const groups = run.face === 'top' ? [run.bars] : [steel.bottom[run.span]!.main, ...(extra ? [extra] : [])];
  const geometry = faceGeometry(beam, run.face, run.span, thickestLink(site, run.span));
  const { bars } = placeBars(groups, catalogues[beam.catalogue], geometry, code);
  const own = evenly(bars).filter((b) => b.group === (run.source.of === 'extra' ? 1 : 0));
  return byLayer(own).map((row) => ({
    zone: run.zone,
    role: 'bar',
    face: run.face,
    span: run.span,
    layer: row[0]!.layer + 1,
    bar: barOf(site, run.bars.size),
    ...bentRun(site, run, row[0]!),
    hook: 0,
    shifts: row.map((b): Place => [0, b.x - row[0]!.x, 0]),
    spacing: null,
    source: run.source,
  }));
}

/** In a layer of bars that are all as thick, those that run through are spread over it from corner to corner, extra ones stand between. */
function evenly(bars: readonly PlacedBar[]): PlacedBar[] {
  return byLayer(bars).flatMap((row) => {
    const main = row.filter((b) => b.group === 0).length;
    if (main < 2 || main === row.length || row.some((b) => b.diameter !== row[0]!.diameter)) return row;
    const places = new Set(Array.from({ length: main }, (_, k) => Math.round((k * (row.length - 1)) / (main - 1))));
    const sorted = [...row].sort((a, b) => a.x - b.x);
    return sorted.map((b, k) => ({ ...b, group: places.has(k) ? 0 : 1 }));
  });
}

function byLayer(bars: readonly PlacedBar[]): PlacedBar[][] {
  const rows = new Map<string, PlacedBar[]>();
  for (const b of bars) {
    const key = `${b.layer} ${b.fromFace}`;
    rows.set(key, [...(rows.get(key) ?? []), b]);
  }
  return [...rows.values()];
}

/** Legs of bent ends run from their face to the cover of the other. */
function bentRun(
  { beam, code }: Site,
  run: BarRun<BarGroup>,
  { x: y, fromFace, diameter }: PlacedBar,
): { bend: BendType; corners: Corner[] } {
  const { h } = outlineOf(beam, run.span);
  const z = run.face === 'bottom' ? fromFace - h : -fromFace;
  const tip = run.face === 'bottom' ? -beam.cover.top : beam.cover.bottom - h;
  return bentAtEnds(
    [run.from, run.to],
    run.isBent,
    (x) => [x, y, z],
    (x) => [x, y, tip],
    diameter,
    code,
  );
}

/** A bar along x with a leg at each end that is bent. The legs' outsides lie where straight bars would end. */
export function bentAtEnds(
  [from, to]: readonly [number, number],
  [left, right]: readonly [boolean, boolean],
  at: (x: number) => Place,
  tip: (x: number) => Place,
  diameter: number,
  code: DesignCode,
): { bend: BendType; corners: Corner[] } {
  const [a, b] = [left ? from + diameter / 2 : from, right ? to - diameter / 2 : to];
  const points = [...(left ? [tip(a)] : []), at(a), at(b), ...(right ? [tip(b)] : [])];
  const bend = left && right ? 'U' : left || right ? 'L' : 'straight';
  return { bend, corners: bentThrough(points, bendRule(code, diameter, false).radius) };
}

/** Bars up both sides, spread over the height of the links. They run and lap as the bottom bars do. */
function sideBars(site: Site, runs: readonly BarRun<BarGroup>[]): DraftSet[] {
  const { beam, steel } = site;
  const { side } = steel;
  if (!side || side.count === 0) return [];
  const bar = barOf(site, side.size);
  return runs
    .filter((run) => run.source.of === 'bottom')
    .map(({ span, from, to }) => {
      const link = thickestLink(site, span);
      const { b, h } = outlineOf(beam, span);
      const y = b / 2 - beam.cover.side - link - bar.diameter / 2;
      const [low, high] = [beam.cover.bottom + link / 2 - h, -beam.cover.top - link / 2];
      const levels = Array.from({ length: side.count }, (_, k) => low + ((k + 1) * (high - low)) / (side.count + 1));
      const first: Place = [from, -y, levels[0]!];
      return {
        zone: `sides, span ${span + 1}`,
        role: 'bar',
        face: 'side',
        span,
        layer: 1,
        bar,
        bend: 'straight',
        corners: bentThrough([first, [to, -y, levels[0]!]], 0),
        hook: 0,
        shifts: levels.flatMap((z): Place[] => [-y, y].map((across) => [0, across + y, z - first[2]])),
        spacing: null,
        source: null,
      };
    });
}

/** Closed links round the web; more legs as links over neighbouring bars within, and a single leg with hooks where one is left over. */
function linksOf(site: Site, span: number): DraftSet[] {
  const start = site.beam.starts[span]!;
  let from = 0;
  return site.steel.links[span]!.flatMap((zone, k): DraftSet[] => {
    const xs = inRow(start + from, start + zone.to, zone.spacing);
    from = zone.to;
    return linksAt(site, span, zone, xs).map((set) => ({ ...set, span, source: { of: 'links', span, zone: k } }));
  });
}

function linksAt(site: Site, span: number, zone: LinkZone, xs: readonly number[]): Omit<DraftSet, 'source' | 'span'>[] {
  const { beam, code } = site;
  const bar = barOf(site, zone.size);
  const { b, h } = outlineOf(beam, span);
  const { radius, hook } = bendRule(code, bar.diameter, true);
  const half = b / 2 - beam.cover.side - bar.diameter / 2;
  const [low, high] = [beam.cover.bottom + bar.diameter / 2 - h, -beam.cover.top - bar.diameter / 2];
  const x = xs[0]!;
  const base = {
    role: 'link',
    face: null,
    layer: 1,
    bar,
    hook,
    shifts: xs.map((at): Place => [at - x, 0, 0]),
    spacing: zone.spacing,
  } as const;
  const closed = (left: number, right: number) =>
    closedLink(
      [
        [x, left, high],
        [x, left, low],
        [x, right, low],
        [x, right, high],
      ],
      radius,
      hook,
    );
  const legAt = (k: number) => -half + (k * 2 * half) / (zone.legs - 1);
  const inner = Array.from({ length: Math.floor(zone.legs / 2) - 1 }, (_, k) => closed(legAt(1 + 2 * k), legAt(2 + 2 * k)));
  const isOdd = zone.legs % 2 === 1 && zone.legs > 1;
  const word = code.linkWord;
  return [
    { ...base, zone: `${word}, span ${span + 1}`, bend: 'link', corners: closed(-half, half) },
    ...inner.map((corners) => ({ ...base, zone: `inner ${word}, span ${span + 1}`, bend: 'link' as const, corners })),
    ...(isOdd
      ? [
          {
            ...base,
            zone: `single legs, span ${span + 1}`,
            bend: 'leg' as const,
            corners: hookedLeg([x, legAt(zone.legs - 2), low], [x, legAt(zone.legs - 2), high], [0, 1, 0], radius, hook),
          },
        ]
      : []),
  ];
}

/** Bars that a cut across the beam meets, of those that count there. */
export function barsCut(
  { bars }: MemberModel,
  x: number,
  counts: (set: BarSet) => boolean,
): { readonly set: BarSet; readonly at: Place }[] {
  return bars
    .filter((set) => set.role === 'bar' && counts(set))
    .flatMap((set) => {
      const [a, b] = bodyOf(set);
      if (x < a[0] - 1e-6 || x > b[0] + 1e-6) return [];
      return set.shifts.map((s): { set: BarSet; at: Place } => ({ set, at: [x, b[1] + s[1], b[2] + s[2]] }));
    });
}
