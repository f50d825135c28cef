import type { Draft } from 'immer';
import { catalogues } from '@/core/materials/bars';
import { supportName } from '@/core/members/beam/input';
import type { BeamSteel } from '@/core/members/beam/steel';
import { barLabel, linkLabel } from '@/core/members/parts/bar-labels';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import type { BarGroup } from '@/core/reinforcement/bar-groups';
import { barEndAt } from '@/ui/bar-ends';
import { parseBars, parseLinks, quantityField, type Field } from '@/ui/value-field';

interface Place {
  readonly project: Project;
  readonly member: BeamMember;
  readonly steel: BeamSteel | null;
}

/** Finds the field of a path on the drawing, e.g. "section.h" or "bars.support[1].bars". Undefined for paths with an editor of their own. */
export function fieldAt(path: string, place: Place): Field<BeamMember> | undefined {
  const indices = [...path.matchAll(/\[(\d+)\]/g)].map((m) => Number(m[1]));
  const [i = 0, k = 0] = indices;
  const shape = path.replace(/\[\d+\]/g, '[]');
  const { member, steel } = place;
  const end = barEndAt(path, member, steel);
  if (end)
    return {
      ...quantityField<BeamMember>(place, end.label, end.hint, 'span', end.value, end.set),
      ...(end.isOwn ? { reset: (m: Draft<BeamMember>) => end.set(m, null) } : {}),
    };
  switch (shape) {
    case 'section.h':
    case 'section.b':
    case 'section.flangeWidth':
    case 'section.flangeDepth': {
      const key = shape.slice(8) as 'h' | 'b' | 'flangeWidth' | 'flangeDepth';
      const names = { h: 'Overall depth h', b: 'Width b', flangeWidth: 'Flange width', flangeDepth: 'Flange depth' };
      return quantityField(place, names[key], 'all spans', 'length', member.section[key], (m, v) => void (m.section[key] = v));
    }
    case 'spans[].length':
      return quantityField(
        place,
        `Span ${i + 1}`,
        'between centres of supports',
        'span',
        member.spans[i]!.length,
        (m, v) => void (m.spans[i]!.length = v),
      );
    case 'bars.bottom[].main':
      return barField(
        place,
        `Bottom bars, span ${i + 1}`,
        steel?.bottom[i]?.main,
        member.bars.bottom[i]!.main !== null,
        (m, g) => void (m.bars.bottom[i]!.main = g),
      );
    case 'bars.bottom[].extra.bars':
      return barField(
        place,
        `Extra bottom bars, span ${i + 1}`,
        steel?.bottom[i]?.extra?.bars ?? { count: 0, size: steel?.bottom[i]?.main.size ?? '' },
        member.bars.bottom[i]!.extra.bars !== null,
        (m, g) => void (m.bars.bottom[i]!.extra.bars = g),
      );
    case 'bars.top[].main':
      return barField(
        place,
        `Top bars, span ${i + 1}`,
        steel?.top[i]?.main,
        member.bars.top[i]!.main !== null,
        (m, g) => void (m.bars.top[i]!.main = g),
      );
    case 'bars.support[].bars':
      return barField(
        place,
        `Top bars over ${supportName(i)}`,
        steel?.support[i]?.bars,
        member.bars.support[i]!.bars !== null,
        (m, g) => void (m.bars.support[i]!.bars = g),
      );
    case 'bars.links[].zones[]':
      return linkField(place, i, k);
    case 'loads[]':
      return loadField(place, i);
  }
  return undefined;
}

function barField(
  place: Place,
  label: string,
  shown: BarGroup | undefined,
  isOwn: boolean,
  set: (m: Draft<BeamMember>, g: BarGroup | null) => void,
): Field<BeamMember> {
  const { member, project } = place;
  return {
    label,
    hint: isOwn ? 'set by hand' : 'chosen automatically',
    unit: '',
    text: shown ? barLabel(shown, project) : '',
    parse: (text) => {
      const parsed = parseBars(text, member);
      return parsed.ok ? { ok: true, apply: (m) => set(m, parsed.group) } : parsed;
    },
    step: (text, direction, size) => {
      const parsed = parseBars(text, member);
      if (!parsed.ok || !parsed.group) return text;
      const { bars } = catalogues[member.catalogue];
      if (size === 1) return barLabel({ ...parsed.group, count: Math.max(0, parsed.group.count + direction) }, project);
      const at = bars.findIndex((b) => b.name === parsed.group!.size);
      return barLabel({ ...parsed.group, size: bars[Math.max(0, Math.min(bars.length - 1, at + direction))]!.name }, project);
    },
    stepHint: 'a bar',
    ...(isOwn ? { reset: (m) => set(m, null) } : {}),
  };
}

function linkField(place: Place, span: number, index: number): Field<BeamMember> | undefined {
  const { project, member, steel } = place;
  const zones = steel?.links[span];
  const zone = zones?.[index];
  if (!zones || !zone) return undefined;
  const isOwn = member.bars.links[span]!.zones !== null;
  const step = project.display === 'US' ? 25.4 : 25;
  return {
    label: `Links, span ${span + 1}, zone ${index + 1} of ${zones.length}`,
    hint: isOwn ? 'set by hand' : 'chosen automatically',
    unit: '',
    text: linkLabel(zone, project),
    parse: (text) => {
      if (/^auto/i.test(text.trim())) return { ok: true, apply: (m) => void (m.bars.links[span]!.zones = null) };
      const parsed = parseLinks(text, member, project.display, zone.legs);
      if (!parsed.ok) return parsed;
      const next = zones.map((z, j) => (j === index ? { ...z, ...parsed.zone } : { ...z }));
      return { ok: true, apply: (m) => void (m.bars.links[span]!.zones = next) };
    },
    step: (text, direction, size) => {
      const parsed = parseLinks(text, member, project.display, zone.legs);
      return parsed.ok
        ? linkLabel({ ...parsed.zone, spacing: Math.max(step, parsed.zone.spacing + direction * (size === 10 ? 4 : 1) * step) }, project)
        : text;
    },
    stepHint: project.display === 'US' ? '1 in' : '25 mm',
    ...(isOwn ? { reset: (m) => void (m.bars.links[span]!.zones = null) } : {}),
  };
}

function loadField(place: Place, i: number): Field<BeamMember> | undefined {
  const load = place.member.loads[i];
  if (!load) return undefined;
  const title = place.member.cases.find((c) => c.id === load.case)?.title ?? load.case;
  const where = load.span === 'all' ? 'all spans' : `span ${load.span + 1}`;
  switch (load.type) {
    case 'uniform':
    case 'partial':
      return quantityField(
        place,
        `${load.case}, ${title}`,
        `${load.type} load, ${where}`,
        'lineLoad',
        load.value,
        (m, v) => void ((m.loads[i] as { value: number }).value = v),
      );
    case 'trapezoidal':
      return quantityField(
        place,
        `${load.case}, ${title}`,
        `value at its start, ${where}`,
        'lineLoad',
        load.start,
        (m, v) => void ((m.loads[i] as { start: number }).start = v),
      );
    case 'point':
      return quantityField(
        place,
        `${load.case}, ${title}`,
        `point load, ${where}`,
        'force',
        load.force,
        (m, v) => void ((m.loads[i] as { force: number }).force = v),
      );
    case 'moment':
      return quantityField(
        place,
        `${load.case}, ${title}`,
        `moment, clockwise positive, ${where}`,
        'moment',
        load.moment,
        (m, v) => void ((m.loads[i] as { moment: number }).moment = v),
      );
    case 'torque':
      return quantityField(
        place,
        `${load.case}, ${title}`,
        `torque per length, ${where}`,
        'lineTorque',
        load.value,
        (m, v) => void ((m.loads[i] as { value: number }).value = v),
      );
    case 'pointTorque':
      return quantityField(
        place,
        `${load.case}, ${title}`,
        `torque, ${where}`,
        'moment',
        load.torque,
        (m, v) => void ((m.loads[i] as { torque: number }).torque = v),
      );
  }
}
