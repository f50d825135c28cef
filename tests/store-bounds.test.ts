import { readFileSync } from 'fs';
import { produce } from 'immer';
import type { AnySchema } from 'yup';
import { makeCode } from '@/core/codes/registry';
import { look } from '@/core/project/read';
import { projectSchema } from '@/core/project/schema';
import { writeProject } from '@/core/project/write';
import type { Project } from '@/core/project/project';
import { readProjectText } from '@/exchange/project-text';
import { useProject, type Refusal } from '@/store/project-store';
import { setAt, valueAt } from '@/ui/fields/paths';

interface Bound {
  readonly path: string;
  readonly most: number;
  readonly isList: boolean;
}

/** Every bound on the length of a text or a list that the schema has for a project, at places that the project has. */
function boundsIn(schema: AnySchema, value: unknown, path = ''): Bound[] {
  const { fields, inner } = look(schema, value);
  const { type, tests } = (schema.resolve({ value }) as AnySchema).describe() as unknown as {
    type: string;
    tests: { name: string; params?: { max?: number } }[];
  };
  const most = tests.find((t) => t.name === 'max')?.params?.max;
  const own = most !== undefined && (type === 'string' || type === 'array') ? [{ path, most, isList: type === 'array' }] : [];
  if (fields && typeof value === 'object' && value !== null)
    return [
      ...own,
      ...Object.entries(fields).flatMap(([k, f]) => boundsIn(f, (value as Record<string, unknown>)[k], path ? `${path}.${k}` : k)),
    ];
  if (!inner || !Array.isArray(value)) return own;
  return [...own, ...value.slice(0, 2).flatMap((v, i) => boundsIn(inner, v, `${path}[${i}]`))];
}

const demos = ['alderlight-playhouse', 'alderlight-annex-us'].map((name) => {
  const read = readProjectText(readFileSync(`examples/${name}.intarsia`, 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
});
/** A project with one member of each kind. */
const alone = demos.flatMap((demo) =>
  [...new Map(demo.members.map((m) => [`${m.type} ${'mode' in m ? m.mode : ''}`, m] as const)).values()].map(
    (member) => [`${demo.display} ${member.mark}`, { ...demo, members: [member] } as Project] as const,
  ),
);

/** Fills a text or a list to a length; undefined for a list that has nothing to be copied. */
function filled(project: Project, { path, isList }: Bound, length: number): unknown {
  // A picture is a text that begins as one.
  if (path === 'info.logo') return 'data:image/png;base64,'.padEnd(length, 'A');
  if (!isList) return 'x'.repeat(length);
  const [first] = (valueAt(project, path) as readonly unknown[] | undefined) ?? [];
  return first === undefined ? undefined : Array.from({ length }, () => first);
}

const now = () => useProject.getState();
const put = (path: string, value: unknown): Refusal => now().edit('try a bound', (p) => produce(p, (draft) => setAt(draft, path, value)));

describe.each(alone)('%s: what can be done can be read again', (_name, project) => {
  const schema = projectSchema(makeCode(project.code).defaults);
  const bounds = boundsIn(schema, project).filter(
    ({ path }) => path !== 'members' && !path.startsWith('code.') && filled(project, boundsOf(path), 1) !== undefined,
  );
  function boundsOf(path: string): Bound {
    return boundsIn(schema, project).find((b) => b.path === path)!;
  }

  test.each(bounds.map((b) => [b.path, b.most, b] as const))('%s takes %d and no more', (path, most, bound) => {
    now().open(project);
    expect(put(path, filled(project, bound, most))).toBeNull();
    const kept = now().project!;
    expect(now().notice).toBeNull();
    expect(kept).not.toBe(project);
    const read = readProjectText(writeProject(kept));
    expect(read.ok).toBe(true);
    expect(put(path, filled(project, bound, most + 1))).toMatch(/at most/);
    expect(now().project).toBe(kept);
    expect(now().notice?.text).toMatch(/^Not done, try a bound: .*at most/);
  });
});
