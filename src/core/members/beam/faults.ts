import type { DesignCode } from '../../codes/design-code';
import { holdsTwist } from './analysis';
import { catalogues, findBar } from '../../materials/bars';
import type { Fault } from '../../checks/fault';
import { caseFaults } from '../parts/case-faults';
import { materialFaults } from '../parts/material-faults';
import { withFlanges } from './effective-flange';
import { supportName, type BeamInput, spanOutline } from './input';
import { stationFaults } from './station-faults';
import { crossingEdges } from '../../geometry/polygon';
import { counted } from '../../units/format';

/** Checks everything about a beam that the shape of the file cannot: each fault at its field. */
export function beamFaults(given: BeamInput, code: DesignCode): Fault[] {
  const beam = withFlanges(given, code);
  return [
    ...materialFaults(beam, code),
    ...serviceFaults(beam),
    ...frameFaults(beam, code),
    ...sectionFaults(beam),
    ...barFaults(beam),
    ...forcesFaults(beam, code),
  ];
}

/** What is wrong with the forces, by where they come from. */
function forcesFaults(beam: BeamInput, code: DesignCode): Fault[] {
  switch (beam.mode) {
    case 'forces':
      return sectionForceFaults(beam);
    case 'stations':
      return [...supportFaults(beam), ...stationFaults(beam)];
    case 'loads':
      return [...supportFaults(beam), ...loadFaults(beam, code)];
  }
}

/** Ages and widths in service that cannot be. */
export function serviceFaults({ service }: Pick<BeamInput, 'service'>): Fault[] {
  const { partitionAge, crackWidth } = service;
  const faults: Fault[] = [];
  if (!(partitionAge >= 1 && partitionAge <= 36_500))
    faults.push({ path: 'service.partitionAge', reason: 'The age when partitions are there must lie between a day and 100 years.' });
  if (!(crackWidth >= 0.01 && crackWidth <= 10))
    faults.push({ path: 'service.crackWidth', reason: 'The crack width allowed must lie between 0.01 and 10 mm.' });
  return faults;
}

function sectionFaults(beam: BeamInput): Fault[] {
  const faults: Fault[] = [];
  const add = (path: string, reason: string) => faults.push({ path, reason });
  beam.spans.forEach((span, i) => {
    const o = spanOutline(beam, i);
    const at = (field: string) => (i > 0 || field in span.section ? `spans[${i}].section.${field}` : `section.${field}`);
    const { top, bottom, side } = beam.cover;
    if (o.shape === 'free') {
      const reason = freeFault(beam, i);
      if (reason) return add('section.points', reason);
    }
    if (!(o.b >= 50 && o.b <= 5000)) add(at('b'), 'The width must lie between 50 mm and 5 m.');
    else if (2 * side + 40 > o.b) add('cover.side', `Two side covers and the links leave no room in a width of ${Math.round(o.b)} mm.`);
    if (!(o.h >= 80 && o.h <= 5000)) add(at('h'), 'The depth must lie between 80 mm and 5 m.');
    else if (top + bottom + 60 > o.h) add('cover.bottom', `The covers leave no room in a depth of ${Math.round(o.h)} mm.`);
    if (o.shape !== 'rectangular' && o.shape !== 'free') {
      if (!(o.flangeWidth >= o.b)) add(at('flangeWidth'), 'The flange must be at least as wide as the web.');
      if (o.flangeWidth > 20_000) add(at('flangeWidth'), 'The flange is wider than 20 m.');
      if (!(o.flangeDepth >= 30 && o.flangeDepth < o.h))
        add(at('flangeDepth'), 'The flange must be at least 30 mm deep and less than the beam.');
    }
    if (beam.mode !== 'forces' && !(span.length >= 100 && span.length <= 100_000))
      add(`spans[${i}].length`, 'A span must lie between 0.1 and 100 m.');
  });
  if (beam.slab)
    for (const side of ['left', 'right'] as const)
      if (!(beam.slab[side] >= 0 && beam.slab[side] <= 50_000))
        add(`slab.${side}`, 'The distance to the next web must lie between 0 and 50 m.');
  for (const face of ['top', 'bottom', 'side'] as const)
    if (!(beam.cover[face] >= 5 && beam.cover[face] <= 300))
      add(`cover.${face}`, 'A cover must lie between 5 and 300 mm; it is measured to the links.');
  return faults;
}

/** Why a free outline cannot be a beam's section. */
function freeFault(beam: BeamInput, span: number): string | undefined {
  const { points = [], b } = beam.section;
  if (points.length < 3) return 'An outline needs at least three corners.';
  const crossing = crossingEdges(points);
  if (crossing) return `Edges ${crossing[0] + 1} and ${crossing[1] + 1} of the outline cross.`;
  if (b <= 0) return 'No upright strip of the outline runs from its lowest to its highest corner: links and bars have none to stand in.';
  if (b < 50) return `Only ${Math.round(b)} mm of the outline run through the whole depth: too narrow for links and bars.`;
  return Object.keys(beam.spans[span]!.section).length > 0
    ? 'A free outline is the same in all spans: take the other sizes away.'
    : undefined;
}

/** Materials that the class of the frame does not allow, and how the beam is held. A class of another code asks for nothing, and the ladder says so. */
function frameFaults(beam: BeamInput, code: DesignCode): Fault[] {
  const reason = beam.mode === 'loads' ? code.frames.rules(beam.frame)?.materialFault(beam.materials) : null;
  const isLoose = beam.lateralHold !== null && !(beam.lateralHold > 0);
  return [
    ...(reason ? [{ path: 'frame', reason }] : []),
    ...(isLoose ? [{ path: 'lateralHold', reason: 'The distance of the places that hold the beam must lie above zero.' }] : []),
  ];
}

/** Supports that are missing, contradict each other or leave the member a mechanism. */
export function supportFaults(beam: BeamInput): Fault[] {
  const faults: Fault[] = [];
  const add = (path: string, reason: string) => faults.push({ path, reason });
  if (beam.spans.length < 1 || beam.spans.length > 22) add('spans', 'A beam has 1 to 20 spans and up to two cantilevers.');
  if (beam.supports.length !== beam.spans.length + 1) {
    add(
      'supports',
      `${counted(beam.spans.length, 'span')} need${beam.spans.length === 1 ? 's' : ''} ${beam.spans.length + 1} supports or ends, there are ${beam.supports.length}.`,
    );
    return faults;
  }
  const last = beam.supports.length - 1;
  beam.supports.forEach((s, i) => {
    if (s.type === 'free' && i > 0 && i < last) add(`supports[${i}].type`, 'Only an end can be free.');
    if (!(s.width >= 0)) add(`supports[${i}].width`, 'A width cannot be negative.');
    const shortest = Math.min(beam.spans[i - 1]?.length ?? Infinity, beam.spans[i]?.length ?? Infinity);
    if (s.width >= shortest) add(`supports[${i}].width`, `Support ${supportName(i)} is wider than its span is long.`);
    if (!(s.redistribution > 0 && s.redistribution <= 1))
      add(
        `supports[${i}].redistribution`,
        'The ratio after redistribution lies between the limit of the code and 1: moments over supports are lowered, not raised.',
      );
    if (s.type === 'spring' && ((s.vertical ?? 1) <= 0 || (s.rotation ?? 0) < 0))
      add(`supports[${i}].vertical`, 'A spring needs a stiffness above zero.');
  });
  const held = beam.supports.filter((s) => s.type !== 'free').length;
  const turnsHeld = beam.supports.some((s) => s.type === 'fixed' || (s.type === 'spring' && (s.rotation ?? 0) > 0));
  if (beam.loads.some((l) => l.type === 'torque' || l.type === 'pointTorque') && !beam.supports.some(holdsTwist))
    add('supports', 'No support holds the beam against twisting, and there are torques on it.');
  if (held === 0 || (held === 1 && !turnsHeld)) add('supports', 'The beam is a mechanism: it needs two supports, or one fixed support.');
  return faults;
}

/** Loads without a case, or off their span. */
export function loadFaults(beam: BeamInput, code: DesignCode): Fault[] {
  const faults = caseFaults(beam, code);
  const ids = new Set(beam.cases.map((c) => c.id));
  beam.loads.forEach((load, i) => {
    const add = (field: string, reason: string) => faults.push({ path: `loads[${i}].${field}`, reason });
    if (!ids.has(load.case)) add('case', `There is no load case "${load.case}".`);
    if ((load.type === 'uniform' || load.type === 'torque') && load.span === 'all') return;
    const span = beam.spans[load.span as number];
    if (!span) return add('span', `There is no span ${Number(load.span) + 1}.`);
    const L = span.length + 0.5;
    if (load.type === 'partial' || load.type === 'trapezoidal') {
      if (load.from < 0 || load.from > L) add('from', 'The load begins off the span.');
      if (load.to > L) add('to', `The load ends off the span, which is ${Math.round(span.length)} mm long.`);
      if (load.to <= load.from) add('to', 'The load must end beyond where it begins.');
    }
    if ((load.type === 'point' || load.type === 'moment' || load.type === 'pointTorque') && (load.at < 0 || load.at > L))
      add('at', `The load stands off the span, which is ${Math.round(span.length)} mm long.`);
  });
  return faults;
}

function sectionForceFaults(beam: BeamInput): Fault[] {
  // With bars in both faces and links the section answers what it carries, without forces.
  const isGiven = beam.bars.bottom[0]?.main && beam.bars.top[0]?.main && beam.bars.links[0]?.zones;
  return beam.forces.length === 0 && !isGiven
    ? [{ path: 'forces', reason: 'No design forces yet: type a moment and a shear, or give all bars to see what the section carries.' }]
    : [];
}

function barFaults(beam: BeamInput): Fault[] {
  const faults: Fault[] = [];
  const catalogue = catalogues[beam.catalogue];
  const checkGroup = (group: { count: number; size: string } | null, path: string, least: number) => {
    if (!group) return;
    if (!findBar(catalogue, group.size))
      faults.push({ path: `${path}.size`, reason: `No bar "${group.size}" among ${catalogue.title} bars.` });
    if (!Number.isInteger(group.count) || group.count < least || group.count > 60)
      faults.push({ path: `${path}.count`, reason: `The number of bars must be a whole number from ${least} to 60.` });
  };
  beam.bars.bottom.forEach((b, i) => {
    checkGroup(b.main, `bars.bottom[${i}].main`, 2);
    checkGroup(b.extra.bars, `bars.bottom[${i}].extra.bars`, 0);
  });
  beam.bars.top.forEach((b, i) => checkGroup(b.main, `bars.top[${i}].main`, 2));
  beam.bars.support.forEach((b, i) => checkGroup(b.bars, `bars.support[${i}].bars`, 2));
  faults.push(...endFaults(beam));
  beam.bars.links.forEach(({ zones }, i) => {
    if (zones?.length === 0)
      faults.push({ path: `bars.links[${i}].zones`, reason: 'Links typed need one zone at least; empty is chosen.' });
    zones?.forEach((zone, k) => {
      const path = `bars.links[${i}].zones[${k}]`;
      if (zone.to <= (zones[k - 1]?.to ?? 0)) faults.push({ path: `${path}.to`, reason: 'A zone must end beyond the one before it.' });
      if (!findBar(catalogue, zone.size))
        faults.push({ path: `${path}.size`, reason: `No bar "${zone.size}" among ${catalogue.title} bars.` });
      if (!(zone.spacing >= 25 && zone.spacing <= 1000))
        faults.push({ path: `${path}.spacing`, reason: 'The spacing must lie between 25 and 1000 mm.' });
      if (!Number.isInteger(zone.legs) || zone.legs < 2 || zone.legs > 20)
        faults.push({ path: `${path}.legs`, reason: 'Links have 2 to 20 legs.' });
    });
  });
  beam.barRules.spacings.forEach((spacing, i) => {
    if (!(spacing >= 25 && spacing <= 1000))
      faults.push({ path: `barRules.spacings[${i}]`, reason: 'The spacing must lie between 25 and 1000 mm.' });
  });
  for (const key of ['mainSizes', 'linkSizes'] as const)
    beam.barRules[key].forEach((size, i) => {
      if (!findBar(catalogue, size))
        faults.push({ path: `barRules.${key}[${i}]`, reason: `No bar "${size}" among ${catalogue.title} bars.` });
    });
  return faults;
}

/** Ends of bars that were set by hand so that nothing is left of them, or that lie off their span. */
function endFaults(beam: BeamInput): Fault[] {
  const extras = beam.bars.bottom.flatMap(({ extra }, i): Fault[] => {
    const L = beam.spans[i]?.length;
    if (L === undefined) return [];
    const path = `bars.bottom[${i}].extra`;
    const [from, to] = [extra.from ?? 0, extra.to ?? L];
    if (from < 0 || from > L) return [{ path: `${path}.from`, reason: `The extra bars of span ${i + 1} begin off the span.` }];
    if (to < 0 || to > L + 0.5) return [{ path: `${path}.to`, reason: `The extra bars of span ${i + 1} end off the span.` }];
    return to <= from
      ? [{ path: `${path}.to`, reason: `Nothing is left of the extra bars of span ${i + 1}: they end before they begin.` }]
      : [];
  });
  const tops = beam.bars.support.flatMap(({ bars, left, right }, j): Fault[] => {
    const path = `bars.support[${j}]`;
    if ((left ?? 0) < 0 || (right ?? 0) < 0)
      return [{ path: `${path}.left`, reason: `Bars over ${supportName(j)} reach 0 or more to each side of it.` }];
    const isNothing = left !== null && right !== null && left + right <= 0;
    return bars && bars.count > 0 && isNothing
      ? [{ path: `${path}.right`, reason: `Nothing is left of the bars over ${supportName(j)}: they reach to neither side.` }]
      : [];
  });
  return [...extras, ...tops];
}
