import { catalogues } from '@/core/materials/bars';
import { supportName } from '@/core/members/beam/input';
import type { BeamSteel } from '@/core/members/beam/steel';
import { barLabel, linkLabel } from '@/core/members/parts/bar-labels';
import type { BeamLoad, BeamMember } from '@/core/members/beam/input';
import type { BeamHandle } from '@/core/members/beam/drawing/handles';
import type { BarGroup } from '@/core/reinforcement/bar-groups';
import { lineField, type DrawnValue } from '@/ui/fields/line-fields';
import { setAt, valueAt, type FieldOf } from '@/ui/fields/paths';
import { choosable, choosableAt, numberField, parseBars, parseLinks, type Field, type FieldPlace } from '@/ui/fields/value-field';

interface Place extends FieldPlace<BeamMember> {
  readonly steel: BeamSteel | null;
}

/** The field of a value on the drawings of a beam; undefined for supports, which have an editor of their own, and for what is not there. */
export function beamField(handle: BeamHandle, place: Place): Field<BeamMember> | undefined {
  const { steel } = place;
  const span = 'span' in handle ? handle.span : 0;
  switch (handle.of) {
    case 'section':
      return numberField(place, `section.${handle.side}`, sideNames[handle.side], 'all spans', 'length');
    case 'bottom':
      return barField(place, `bars.bottom[${span}].main`, `Bottom bars, span ${span + 1}`, steel?.bottom[span]?.main);
    case 'extra': {
      const shown = steel?.bottom[span]?.extra?.bars ?? { count: 0, size: steel?.bottom[span]?.main.size ?? '' };
      return barField(place, `bars.bottom[${span}].extra.bars`, `Extra bottom bars, span ${span + 1}`, shown);
    }
    case 'top':
      return barField(place, `bars.top[${span}].main`, `Top bars, span ${span + 1}`, steel?.top[span]?.main);
    case 'over': {
      const j = handle.support;
      return barField(place, `bars.support[${j}].bars`, `Top bars over ${supportName(j)}`, steel?.support[j]?.bars);
    }
    case 'links':
      return linkField(place, handle.span, handle.zone);
    default:
      return lineField(handle, place, drawnValues);
  }
}

const sideNames = { h: 'Overall depth h', b: 'Width b', flangeWidth: 'Flange width', flangeDepth: 'Flange depth' };

/** Bars set by hand are the member's own; the bars chosen are those drawn, which may still be of the input before. */
function barField(place: Place, path: FieldOf<BeamMember, BarGroup>, label: string, chosen: BarGroup | undefined): Field<BeamMember> {
  const { member, project } = place;
  const own = valueAt(member, path) as BarGroup | null;
  const shown = own ?? chosen;
  return {
    label,
    hint: own ? 'set by hand' : 'chosen automatically',
    unit: '',
    text: shown ? barLabel(shown, project) : '',
    parse: (text) => {
      const parsed = parseBars(text, member);
      return parsed.ok ? { ok: true, apply: (m) => setAt(m, path, parsed.group) } : parsed;
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
    ...choosableAt(place, path),
  };
}

function linkField(place: Place, span: number, index: number): Field<BeamMember> | undefined {
  const { project, member, steel } = place;
  const own = member.bars.links[span]?.zones ?? null;
  const zones = own ?? steel?.links[span];
  const zone = zones?.[index];
  if (!zones || !zone) return undefined;
  const step = project.display === 'US' ? 25.4 : 25;
  return {
    label: `Links, span ${span + 1}, zone ${index + 1} of ${zones.length}`,
    hint: own ? 'set by hand' : 'chosen automatically',
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
    ...choosable<BeamMember>(own !== null, (m) => void (m.bars.links[span]!.zones = null)),
  };
}

/** Of each type of load: the value that stands on the drawing, its kind, and what it is. */
const drawnValues: Readonly<Record<BeamLoad['type'], DrawnValue>> = {
  uniform: ['value', 'lineLoad', 'uniform load'],
  partial: ['value', 'lineLoad', 'partial load'],
  trapezoidal: ['start', 'lineLoad', 'value at its start'],
  point: ['force', 'force', 'point load'],
  moment: ['moment', 'moment', 'moment, clockwise positive'],
  torque: ['value', 'lineTorque', 'torque per length'],
  pointTorque: ['torque', 'moment', 'torque'],
};
