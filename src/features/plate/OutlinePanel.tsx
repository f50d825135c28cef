'use client';
import type { Fault } from '@/core/checks/fault';
import { asDrawn, outlineAndOpenings } from '@/core/members/plate/drawn-plan';
import type { PlateEdge, PlateMember } from '@/core/members/plate/input';
import type { Project } from '@/core/project/project';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { OutlineEditor } from '@/ui/fields/OutlineEditor';
import { columnsFor } from '@/ui/tables/columns';
import { Grid } from '@/ui/tables/Grid';
import { SetOutCircle } from './SetOut';
import { useAddPart, withFields } from './use-plate-change';

type Corner = PlateMember['outline'][number];
/** An edge on springs, by the corner that it begins at. */
interface SprungEdge {
  readonly edge: number;
  readonly sinks: number | null;
  readonly turns: number | null;
}
type Wall = PlateMember['walls'][number];

const edges: Readonly<Record<PlateEdge, string>> = { simple: 'simple', clamped: 'clamped', spring: 'on springs', free: 'free' };

/** Corners of the slab with the edges between them, openings, and walls below it: drawn, typed or pasted. */
export function OutlinePanel({ project, member, faults }: { project: Project; member: PlateMember; faults: readonly Fault[] }) {
  const edit = useProject((s) => s.edit);
  const change = (label: string, recipe: Parameters<typeof onMember<PlateMember>>[1]) =>
    edit(`${label} of ${member.mark}`, onMember(member, recipe));
  const add = useAddPart(member);
  const corner = columnsFor<Corner>(
    project.display,
    (_, i) => `corner ${i + 1}`,
    (i, patch) => change(`corner ${i + 1}`, (m) => void Object.assign(m.outline[i]!, patch)),
  );
  const wall = columnsFor<Wall>(
    project.display,
    (_, i) => `wall ${i + 1}`,
    (i, patch) => change(`wall ${i + 1}`, (m) => void Object.assign(m.walls[i]!, patch)),
  );
  const sprung = member.outline.flatMap(({ edge, sinks, turns }, i): SprungEdge[] =>
    edge === 'spring' ? [{ edge: i, sinks, turns }] : [],
  );
  const spring = columnsFor<SprungEdge>(
    project.display,
    ({ edge }) => `edge ${edge + 1}`,
    (i, patch) => change(`springs of edge ${sprung[i]!.edge + 1}`, (m) => void Object.assign(m.outline[sprung[i]!.edge]!, patch)),
  );
  const faultsOf = (list: string) => (i: number) => faults.filter((f) => f.path.startsWith(`${list}[${i}]`));
  return (
    <div className="grid grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)] gap-x-6 overflow-auto px-3.5 py-2">
      <section>
        <h2>Corners, and the edge from each to the next</h2>
        <Grid
          label="Corners"
          rows={member.outline}
          columns={[
            corner.bare('x', 'span', 'x'),
            corner.bare('y', 'span', 'y'),
            corner.pick('Edge', edges, 'edge'),
            corner.bare('Arc rises', 'span', 'rise'),
          ]}
          faultsOf={faultsOf('outline')}
          remove={{ title: 'Delete', run: (i) => change(`corner ${i + 1} taken out`, (m) => void m.outline.splice(i, 1)) }}
          add={{ title: 'Add a corner', run: () => add('add a corner', 'corners') }}
        />
        {sprung.length > 0 && (
          <>
            <h2 className="mt-3">Edges on springs</h2>
            <Grid
              label="Edges on springs"
              rows={sprung}
              columns={[
                spring.shown('Edge', ({ edge }) => `from corner ${edge + 1}`),
                spring.bare('Spring', 'springLine', 'sinks', { empty: 'rigid' }),
                spring.bare('Turning', 'turningLine', 'turns', { empty: 'none' }),
              ]}
              faultsOf={(i) => faultsOf('outline')(sprung[i]!.edge).filter((f) => /sinks|turns/.test(f.path))}
              className="!w-auto"
            />
          </>
        )}
        <h2 className="mt-3">Walls below, inside</h2>
        <Grid
          label="Walls"
          rows={member.walls}
          columns={[
            wall.bare('x', 'span', 'x1'),
            wall.bare('y', 'span', 'y1'),
            wall.bare('to x', 'span', 'x2'),
            wall.bare('to y', 'span', 'y2'),
            wall.bare('Spring', 'springLine', 'sinks', { empty: 'rigid' }),
            wall.bare('Turning', 'turningLine', 'turns', { empty: 'none' }),
          ]}
          faultsOf={faultsOf('walls')}
          remove={{ title: 'Delete', run: (i) => change(`wall ${i + 1} taken out`, (m) => void m.walls.splice(i, 1)) }}
          add={{ title: 'Add a wall', run: () => add('add a wall', 'walls') }}
        />
        <p className="small">
          Springs are per length of the line: a wall of thickness t and height l sinks by E t / l, and turns by 4 E t³ / 12 l where its foot
          is fixed, 3 E t³ / 12 l where it is pinned.
        </p>
      </section>
      <section>
        <h2>Outline and openings</h2>
        <OutlineEditor
          outer={member.outline.map(({ x, y }) => [x, y] as const)}
          holes={member.openings.map((o) => o.corners)}
          mayHaveHoles
          units={project.display}
          onKeep={(outer, holes) =>
            change(
              'outline',
              withFields((now) => outlineAndOpenings(now, outer, holes)),
            )
          }
          onPlan={(plan, edge) =>
            change(
              'plan out of a drawing',
              withFields((now) => asDrawn(now, plan, edge)),
            )
          }
        />
        <SetOutCircle member={member} units={project.display} />
        {faults
          .filter((f) => f.path === 'outline' || f.path.startsWith('openings'))
          .map((f) => (
            <p key={`${f.path} ${f.reason}`} className="text-madder-text">
              {f.reason}
            </p>
          ))}
      </section>
    </div>
  );
}
