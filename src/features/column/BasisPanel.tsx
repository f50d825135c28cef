'use client';
import { useChange } from '@/ui/fields/use-change';
import type { Draft } from 'immer';
import { catalogues, type CatalogueId } from '@/core/materials/bars';
import type { ColumnResult } from '@/core/members/column/result';
import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import { kindOf } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import { isWall, type UprightMember } from '@/core/members/wall/upright';
import { formatQuantity } from '@/core/units/format';
import { Assumptions } from '@/ui/sheet/Assumptions';
import { basisRow, basisRows } from '@/ui/fields/basis-rows';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { ShapeFields } from './ShapeFields';
import { WallFields } from './WallFields';

const catalogueOptions = Object.values(catalogues).map((c) => [c.id, c.title] as const);

/** What a column rests on besides its drawing: names, shape, materials, storey, limits, and everything the code leaves open. */
export function BasisPanel({
  project,
  member,
  result,
  faults,
}: {
  project: Project;
  member: UprightMember;
  result: ColumnResult;
  faults: readonly Fault[];
}) {
  const code = codeOf(project, member);
  const { strengthSymbols: symbols, linkTitles } = code;
  const change = useChange(member);
  const { fault, quantity, optional, text, pick } = basisRows<UprightMember>({ project, faults, change });
  const materials = member.materials;
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-3 overflow-auto px-3.5 py-2">
      <section>
        <h2>Member</h2>
        {text('Mark', member.mark, (m, v) => void (m.mark = v))}
        {text('Title', member.title, (m, v) => void (m.title = v))}
        {text('Place', member.place, (m, v) => void (m.place = v))}
        {isWall(member) ? (
          <WallFields project={project} member={member} faults={faults} />
        ) : (
          <ShapeFields project={project} member={member} result={result} />
        )}
        {fault('shape.outer')}
        {faults
          .filter((f) => f.path.startsWith('shape.') && f.path !== 'shape.outer')
          .map((f) => (
            <p key={f.path} className="text-madder-text">
              {f.reason}
            </p>
          ))}
        {quantity('Clear height', 'span', 'height', member.height, (m, v) => void (m.height = v))}
        {quantity(
          isWall(member) ? 'Cover to the outer bars' : 'Cover to ties',
          'smallLength',
          'cover',
          member.cover,
          (m, v) => void (m.cover = v),
        )}
        {result.quantities && (
          <p className="small">
            Concrete {formatQuantity(result.quantities.concrete, 'volume', project.display)} · steel{' '}
            {formatQuantity(
              (result.quantities.bars + result.quantities.links) / result.quantities.concrete,
              'massPerVolume',
              project.display,
            )}
          </p>
        )}
      </section>
      <section>
        <h2>Materials and limits</h2>
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
          `${linkTitles.column} ${symbols.links}`,
          'steelStress',
          'materials.linkStrength',
          materials.linkStrength,
          (m, v) => void (m.materials.linkStrength = v),
        )}
        {quantity(
          'Largest aggregate',
          'smallLength',
          'materials.aggregateSize',
          materials.aggregateSize,
          (m, v) => void (m.materials.aggregateSize = v),
        )}
        {quantity(
          'Most steel by the office',
          'percent',
          'steelLimit',
          member.steelLimit,
          (m, v) => void (m.steelLimit = Math.min(0.2, Math.max(0.005, v))),
        )}
        {quantity('Crack width allowed', 'crack', 'crackLimit', member.crackLimit, (m, v) => void (m.crackLimit = v))}
        {pick('Bar catalogue', member.catalogue, catalogueOptions, (m, id) => changeCatalogue(m, id))}
        <h2 className="mt-3">For creep</h2>
        {(['humidity', 'loadingAge'] as const).map((k) => (
          <label key={k} className={basisRow}>
            {k === 'humidity' ? 'Relative humidity' : 'Loaded at, days'}
            <QuantityInput
              kind={k === 'humidity' ? 'percent' : 'number'}
              system={project.display}
              value={materials.timeDependent[k]}
              label={k === 'humidity' ? 'Relative humidity' : 'Loaded at, days'}
              onKeep={(v) =>
                v !== null &&
                change(
                  'creep',
                  (m) =>
                    void (m.materials.timeDependent[k] =
                      k === 'humidity' ? Math.min(1, Math.max(0.2, v)) : Math.min(36_500, Math.max(1, v))),
                )
              }
            />
          </label>
        ))}
        {code.column.splitsSway && (
          <>
            <h2 className="mt-3">Storey, for sway</h2>
            <p className="small">Only for unbraced columns: the stability index Q, or the sums of the storey.</p>
            {optional('Stability index Q', 'ratio', 'storey.Q', member.storey.Q, (m, v) => void (m.storey.Q = v), 'not given')}
            {optional('ΣPu', 'force', 'storey.sumP', member.storey.sumP, (m, v) => void (m.storey.sumP = v), 'not given')}
            {optional('ΣPc', 'force', 'storey.sumPc', member.storey.sumPc, (m, v) => void (m.storey.sumPc = v), 'not given')}
          </>
        )}
      </section>
      <section className="col-span-2 max-w-[44rem]">
        <h2>What the code leaves open</h2>
        <Assumptions choices={kindOf(member).choices(code)} code={code} member={member} />
      </section>
    </div>
  );
}

/** The nearest sizes of another catalogue. */
function changeCatalogue(m: Draft<UprightMember>, id: CatalogueId): void {
  const from = catalogues[m.catalogue].bars;
  const to = catalogues[id].bars;
  const near = (name: string) => {
    const d = from.find((b) => b.name === name)?.diameter ?? 20;
    return to.reduce((a, b) => (Math.abs(b.diameter - d) < Math.abs(a.diameter - d) ? b : a)).name;
  };
  m.catalogue = id;
  if ('vertical' in m) {
    m.vertical.size = near(m.vertical.size);
    m.horizontal.size = near(m.horizontal.size);
    return;
  }
  m.ties.size = near(m.ties.size);
  const b = m.bars;
  if (b.kind === 'sides') Object.assign(b, { corner: near(b.corner), sizeX: near(b.sizeX), sizeY: near(b.sizeY) });
  else if (b.kind === 'list') b.bars.forEach((l) => (l.size = near(l.size)));
  else b.size = near(b.size);
}
