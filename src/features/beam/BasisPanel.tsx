'use client';
import type { Options } from '@/ui/fields/Select';
import { castDraft, type Draft } from 'immer';
import type { BeamShape } from '@/core/geometry/beam-outline';
import { freeSection, grossProperties, outlinePoints } from '@/core/geometry/beam-outline';
import type { BeamMember } from '@/core/members/beam/input';
import { type Member } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import { companions, groupOf } from '@/core/project/groups';
import { formatQuantity } from '@/core/units/format';
import { CreepFields } from '@/ui/fields/CreepFields';
import { OutlineEditor } from '@/ui/fields/OutlineEditor';
import { ServiceFields } from '@/ui/fields/ServiceFields';
import { MOST_SPANS, setSpans } from '@/ui/fields/spans';
import { frameOptions } from '@/ui/fields/frame-options';
import { FireFields } from '@/ui/fields/FireFields';
import { materialRows, nameRows, useRows } from '@/ui/fields/use-rows';
import { BarRulesFields } from './BarRulesFields';
import { FlangeFields } from './FlangeFields';
import { BasisColumns } from '@/ui/sheet/BasisColumns';
import type { BasisProps } from '@/ui/sheet/panels';

const shapes: Options<BeamShape> = { rectangular: 'rectangular', T: 'T', L: 'L', invertedT: 'T, flange below', free: 'any outline' };
const ways = { loads: 'loads on spans', stations: 'known forces along the spans', forces: 'known forces of a section' };

/** What a beam rests on besides its drawing: names, materials, cover, rules for bars, and everything the code leaves open. */
export function BasisPanel({ project, member, result, faults }: BasisProps<BeamMember>) {
  const code = codeOf(project, member);
  const rows = useRows(project, member, { faults });
  const { text, quantity, pick, choose, count, fault } = rows;
  const { section, mode } = member;
  const isFree = section.shape === 'free';
  return (
    <BasisColumns project={project} member={member}>
      <section>
        {nameRows(rows)}
        {mode !== 'forces' && text('Group', 'group')}
        <GroupNote project={project} member={member} />
        {pick('Worked from', 'mode', ways)}
        {mode === 'loads' && pick('Ductile frame', 'frame', frameOptions(code, member.frame))}
        {fault('frame')}
        {mode !== 'forces' && quantity('Held sideways every', 'span', 'lateralHold', { empty: 'all along, by a slab' })}
        {code.beamForm.integrity && mode !== 'forces' && rows.box('along the edge of the building', 'isPerimeter')}
        {choose('Section', section.shape, shapes, setShape)}
        {isFree ? (
          <FreeOutline project={project} member={member} faults={faults} />
        ) : (
          [quantity('Width b', 'length', 'section.b'), quantity('Overall depth h', 'length', 'section.h')]
        )}
        {section.shape !== 'rectangular' && !isFree && (
          <>
            <FlangeFields project={project} member={member} code={code} faults={faults} />
            {quantity('Flange depth', 'length', 'section.flangeDepth')}
          </>
        )}
        {count('Spans, with cantilevers', member.spans.length, [1, MOST_SPANS], setSpans)}
        <Weights project={project} member={member} result={result} />
        <FireFields project={project} member={member} />
      </section>
      <section>
        <h2>Materials and cover</h2>
        {materialRows(rows, code, { links: code.linkTitles.beam })}
        {quantity('Cover to links, top', 'smallLength', 'cover.top')}
        {quantity('Cover to links, bottom', 'smallLength', 'cover.bottom')}
        {quantity('Cover to links, sides', 'smallLength', 'cover.side')}
        {quantity('Largest aggregate', 'smallLength', 'materials.aggregateSize')}
        {quantity('Unit weight', 'unitWeight', 'unitWeight')}
      </section>
      <section>
        {!isFree && <SpanSections project={project} member={member} faults={faults} />}
        <CreepFields project={project} member={member} code={code} />
      </section>
      <ServiceFields project={project} member={member} />
      <BarRulesFields project={project} member={member} />
    </BasisColumns>
  );
}

function FreeOutline({ project, member, faults }: Omit<BasisProps<BeamMember>, 'result'>) {
  const { change, fault } = useRows(project, member, { faults });
  return (
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
        Links and bars stand in the {formatQuantity(member.section.b, 'length', project.display)} that run through the whole depth, about x
        = 0.
      </p>
    </>
  );
}

function Weights({ project: { display }, member, result: { quantities } }: Omit<BasisProps<BeamMember>, 'faults'>) {
  const { area } = grossProperties(member.section);
  return (
    <p className="small">
      Gross area {formatQuantity(area, 'area', display)} · self-weight {formatQuantity(area * member.unitWeight, 'lineLoad', display)}
      {quantities && ` · steel ${formatQuantity((quantities.bars + quantities.links) / quantities.concrete, 'massPerVolume', display)}`}
    </p>
  );
}

/** Width and depth of spans that differ from the beam's. */
function SpanSections({ project, member, faults }: Omit<BasisProps<BeamMember>, 'result'>) {
  const { quantity } = useRows(project, member, { faults, row: 'block' });
  return (
    <>
      <h2>Sections that differ by span</h2>
      <p className="small">An empty field is as the beam. Haunches are not covered: give the smallest depth.</p>
      {member.spans.map((_, i) => (
        <div key={i} className="grid grid-cols-[3rem_1fr_1fr] items-center gap-2 py-0.5">
          Span {i + 1}
          {(['b', 'h'] as const).map((k) =>
            quantity('', 'length', `spans[${i}].section.${k}`, {
              name: `${k} of span ${i + 1}`,
              empty: `${k} as the beam`,
              isLeftOut: true,
            }),
          )}
        </div>
      ))}
    </>
  );
}

/** With which beams the section and the bars are shared. */
function GroupNote({ project, member }: Pick<BasisProps<BeamMember>, 'project' | 'member'>) {
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
