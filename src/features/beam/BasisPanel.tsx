'use client';
import { useChange } from '@/ui/fields/use-change';
import type { Member } from '@/core/members/kinds';
import { castDraft, type Draft } from 'immer';
import type { DesignCode } from '@/core/codes/design-code';
import type { FrameClass } from '@/core/codes/frame-rules';
import type { BeamShape } from '@/core/geometry/beam-outline';
import { freeSection, grossProperties, outlinePoints } from '@/core/geometry/beam-outline';
import type { Fault } from '@/core/checks/fault';
import type { BeamResult } from '@/core/members/beam/result';
import type { Project } from '@/core/project/project';
import { kindOf } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import type { BeamMember } from '@/core/members/beam/input';
import { formatQuantity } from '@/core/units/format';
import { Assumptions } from '@/ui/sheet/Assumptions';
import { basisRow, basisRows, ductilityRow } from '@/ui/fields/basis-rows';
import { companions, groupOf } from '@/core/project/groups';
import { BarRulesFields } from './BarRulesFields';
import { FlangeFields } from './FlangeFields';
import { CreepFields } from '@/ui/fields/CreepFields';
import { ServiceFields } from '@/ui/fields/ServiceFields';
import { OutlineEditor } from '@/ui/fields/OutlineEditor';
import { QuantityInput } from '@/ui/fields/QuantityInput';

const shapes: readonly (readonly [BeamShape, string])[] = [
  ['rectangular', 'rectangular'],
  ['T', 'T'],
  ['L', 'L'],
  ['invertedT', 'T, flange below'],
  ['free', 'any outline'],
];
const ways = [
  ['loads', 'loads on spans'],
  ['forces', 'known design forces'],
] as const;

/** The classes of the code; one that stems from another code is still shown as what is set. */
function frameOptions(code: DesignCode, frame: FrameClass): (readonly [FrameClass, string])[] {
  const own = code.frames.classes.map((k) => [k.value, k.label] as const);
  return own.some(([value]) => value === frame) ? own : [...own, [frame, `${frame}, not of this code`]];
}

/** What a beam rests on besides its drawing: names, materials, cover, rules for bars, and everything the code leaves open. */
export function BasisPanel({
  project,
  member,
  result,
  faults,
}: {
  project: Project;
  member: BeamMember;
  result: BeamResult;
  faults: readonly Fault[];
}) {
  const code = codeOf(project, member);
  const change = useChange(member);
  const rows = basisRows<BeamMember>({ project, faults, change });
  const { fault, quantity } = rows;
  const { materials, cover } = member;
  const symbols = code.strengthSymbols;
  const gross = grossProperties(member.section);
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-3 overflow-auto px-3.5 py-2">
      <section>
        <h2>Member</h2>
        {rows.text('Mark', member.mark, (m, v) => void (m.mark = v))}
        {rows.text('Title', member.title, (m, v) => void (m.title = v))}
        {rows.text('Place', member.place, (m, v) => void (m.place = v))}
        {member.mode === 'loads' && rows.text('Group', member.group, (m, v) => void (m.group = v))}
        <GroupNote project={project} member={member} />
        {rows.pick('Worked from', member.mode, ways, (m, v) => void (m.mode = v))}
        {member.mode === 'loads' &&
          rows.pick('Ductile frame', member.frame, frameOptions(code, member.frame), (m, v) => void (m.frame = v))}
        {fault('frame')}
        {rows.pick('Section', member.section.shape, shapes, (m, v) => setShape(m, v))}
        {member.section.shape === 'free' ? (
          <>
            <OutlineEditor
              outer={member.section.points ?? []}
              holes={[]}
              mayHaveHoles={false}
              units={project.display}
              onKeep={(outer) => change('outline', (m) => void (m.section = castDraft(freeSection(outer))))}
            />
            {fault('section.points')}
            <p className="small">
              Links and bars stand in the {formatQuantity(member.section.b, 'length', project.display)} about x = 0 that run through the
              whole depth.
            </p>
          </>
        ) : (
          (['b', 'h'] as const).map((k) => (
            <div key={k}>
              {quantity(
                k === 'b' ? 'Width b' : 'Overall depth h',
                'length',
                `section.${k}`,
                member.section[k],
                (m, v) => void (m.section[k] = v),
              )}
            </div>
          ))
        )}
        {member.section.shape !== 'rectangular' && member.section.shape !== 'free' && (
          <>
            <FlangeFields project={project} member={member} code={code} change={change} fault={fault} />
            {quantity(
              'Flange depth',
              'length',
              'section.flangeDepth',
              member.section.flangeDepth,
              (m, v) => void (m.section.flangeDepth = v),
            )}
          </>
        )}
        <label className={basisRow}>
          Spans, with cantilevers
          <input
            className="field"
            type="number"
            min={1}
            max={22}
            value={member.spans.length}
            onChange={(e) => change('number of spans', (m) => setSpans(m as never, Number(e.target.value)))}
          />
        </label>
        <p className="small">
          Gross area {formatQuantity(gross.area, 'area', project.display)} · self-weight{' '}
          {formatQuantity(gross.area * member.unitWeight, 'lineLoad', project.display)}
          {result.quantities &&
            ` · steel ${formatQuantity((result.quantities.bars + result.quantities.links) / result.quantities.concrete, 'massPerVolume', project.display)}`}
        </p>
      </section>
      <section>
        <h2>Materials and cover</h2>
        {quantity(
          `Concrete ${symbols.concrete}`,
          'stress',
          'materials.concreteStrength',
          materials.concreteStrength,
          (m, v) => void (m.materials.concreteStrength = v),
        )}
        {quantity(
          `Bars ${symbols.bars}`,
          'steelStress',
          'materials.steelStrength',
          materials.steelStrength,
          (m, v) => void (m.materials.steelStrength = v),
        )}
        {quantity(
          `${code.linkTitles.beam} ${symbols.links}`,
          'steelStress',
          'materials.linkStrength',
          materials.linkStrength,
          (m, v) => void (m.materials.linkStrength = v),
        )}
        {ductilityRow(rows, code, materials.ductility, (m, v) => void (m.materials.ductility = v))}
        {quantity('Cover to links, top', 'smallLength', 'cover.top', cover.top, (m, v) => void (m.cover.top = v))}
        {quantity('Cover to links, bottom', 'smallLength', 'cover.bottom', cover.bottom, (m, v) => void (m.cover.bottom = v))}
        {quantity('Cover to links, sides', 'smallLength', 'cover.side', cover.side, (m, v) => void (m.cover.side = v))}
        {quantity(
          'Largest aggregate',
          'smallLength',
          'materials.aggregateSize',
          materials.aggregateSize,
          (m, v) => void (m.materials.aggregateSize = v),
        )}
        {quantity('Unit weight', 'unitWeight', 'unitWeight', member.unitWeight, (m, v) => void (m.unitWeight = v))}
      </section>
      <section>
        {member.section.shape !== 'free' && (
          <>
            <h2>Sections that differ by span</h2>
            <p className="small">An empty field is as the beam. Haunches are not covered: give the least depth.</p>
            {member.spans.map((span, i) => (
              <div key={i} className="grid grid-cols-[3rem_1fr_1fr] items-center gap-2 py-0.5">
                Span {i + 1}
                {(['b', 'h'] as const).map((k) => (
                  <div key={k}>
                    <QuantityInput
                      kind="length"
                      system={project.display}
                      value={span.section[k] ?? null}
                      allowEmpty
                      placeholder={`${k} as the beam`}
                      label={`${k} of span ${i + 1}`}
                      onKeep={(v) =>
                        change(
                          `${k} of span ${i + 1}`,
                          (m) => void (m.spans[i]!.section = castDraft(sectionOf(member.spans[i]!.section, k, v))),
                        )
                      }
                    />
                    {fault(`spans[${i}].section.${k}`)}
                  </div>
                ))}
              </div>
            ))}
          </>
        )}
        <CreepFields project={project} member={member} change={change} />
      </section>
      <ServiceFields project={project} member={member} change={change} />
      <BarRulesFields project={project} member={member} change={change} />
      <section>
        <h2>What the code leaves open</h2>
        <Assumptions choices={kindOf(member).choices(code)} code={code} member={member} />
      </section>
    </div>
  );
}

/** With which beams the section and the bars are shared. */
function GroupNote({ project, member }: { project: Project; member: BeamMember }) {
  const all = groupOf(project.members, member);
  if (member.group === '') return null;
  const sharing = companions(project.members, member);
  const apart = all.filter((m) => !sharing.includes(m));
  const marks = (list: readonly Member[]) => list.map((m) => m.mark).join(', ');
  return (
    <p className="small">
      {sharing.length > 0
        ? `Section, materials and bars are shared with ${marks(sharing)}: the bars carry the worst of all at each place.`
        : 'No other beam of this group has as many spans: the bars are its own.'}
      {apart.length > 0 && ` ${marks(apart)} share the section; with another number of spans their bars are their own.`}
    </p>
  );
}

const noExtra = { bars: null, from: null, to: null };

/** Another shape of about the same size; a free outline starts from the corners that the section has. */
function setShape(m: Draft<BeamMember>, shape: BeamShape): void {
  if (shape === 'free') {
    m.section = castDraft(freeSection(outlinePoints(m.section as BeamMember['section'])));
    m.slab = null;
    m.spans.forEach((s) => (s.section = {}));
    return;
  }
  const { b, h, flangeWidth, flangeDepth } = m.section;
  m.section = { b, h, flangeWidth: Math.max(flangeWidth, b), flangeDepth, shape };
}

/** The dimensions of a span that differ from the beam's, with one set or taken away. */
function sectionOf(section: BeamMember['spans'][number]['section'], key: 'b' | 'h', value: number | null) {
  const rest = { ...section };
  delete rest[key];
  return value === null ? rest : { ...rest, [key]: value };
}

/** Adds spans like the last one, or takes spans away, with their supports, bars and loads. */
function setSpans(m: { -readonly [K in keyof BeamMember]: BeamMember[K] }, count: number): void {
  if (!Number.isInteger(count) || count < 1 || count > 22) return;
  const take = <T,>(list: readonly T[], n: number, filler: T): T[] => Array.from({ length: n }, (_, i) => list[i] ?? filler);
  const last = m.spans[m.spans.length - 1]!;
  const wasFree = m.supports[m.supports.length - 1]!.type === 'free' && count > m.spans.length;
  const support = { ...m.supports[0]!, type: 'pinned' as const, settlement: 0, redistribution: 1 };
  m.spans = take(m.spans, count, { ...last });
  m.supports = take(
    m.supports.map((s, i) => (wasFree && i === m.supports.length - 1 ? support : s)),
    count + 1,
    support,
  );
  m.bars = {
    bottom: take(m.bars.bottom, count, { main: null, extra: noExtra }),
    top: take(m.bars.top, count, { main: null }),
    links: take(m.bars.links, count, { zones: null }),
    support: take(m.bars.support, count + 1, { bars: null, left: null, right: null }),
    side: m.bars.side,
  };
  m.loads = m.loads.filter((l) => l.span === 'all' || l.span < count);
}
