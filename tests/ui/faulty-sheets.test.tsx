import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { useRouter, useSearchParams } from 'next/navigation';
import type { Member } from '@/core/members/kinds';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { BeamScreen } from '@/features/beam/screen';
import { ColumnScreen } from '@/features/column/screen';
import { PanelScreen } from '@/features/panel/screen';
import { PunchingScreen } from '@/features/punching/screen';
import { StripScreen } from '@/features/strip/screen';
import { useProject } from '@/store/project-store';
import { SheetBoundary } from '@/ui/sheet/SheetBoundary';
import { stubBrowser } from './fixtures';

jest.mock('next/navigation', () => ({ useRouter: jest.fn(), useSearchParams: jest.fn() }));
// Workers that never answer.
jest.mock('@/workers/start-worker', () => {
  const idle = () => ({ run: () => new Promise(() => undefined), stop: () => undefined, end: () => undefined, onGone: () => undefined });
  return { startDesigner: idle, startSearcher: idle, startReporter: idle };
});
beforeAll(stubBrowser);
beforeEach(() => {
  (useRouter as jest.Mock).mockReturnValue({ push: jest.fn() });
  (useSearchParams as jest.Mock).mockReturnValue(new URLSearchParams());
});

const sheets = {
  beam: BeamScreen,
  column: ColumnScreen,
  wall: ColumnScreen,
  strip: StripScreen,
  panel: PanelScreen,
  punching: PunchingScreen,
};
type Path = readonly (string | number)[];

function numbersIn(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number') return [path];
  if (value === null || typeof value !== 'object' || ['variants', 'decisions'].includes(String(path[0]))) return [];
  const entries = Array.isArray(value) ? [...value.entries()].slice(0, 1) : Object.entries(value);
  return entries.flatMap(([key, v]: [string | number, unknown]) => numbersIn(v, [...path, key]));
}
function withNumber<T>(value: T, [key, ...rest]: Path, n: number): T {
  if (key === undefined) return n as T;
  const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...value }) as Record<string | number, unknown>;
  copy[key] = withNumber(copy[key], rest, n);
  return copy as T;
}

const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
if (!read.ok) throw new Error('bad');
const demo = read.project;
const firsts = [...new Map(demo.members.map((m) => [`${m.type} ${'mode' in m ? m.mode : ''}`, m] as const)).values()];
const wrong = [0, -1, 1e9];

/** Renders the sheet of a member with one number changed, with the result that it then has. */
function show(member: Member, path: Path, n: number): void {
  const changed = withNumber(member, path, n);
  const project: Project = { ...demo, members: [changed] };
  useProject.getState().open(project);
  const result = designNow(project, changed);
  useProject.getState().putResults([{ result, member: changed, code: project.code, display: project.display }]);
  const Sheet = sheets[member.type as keyof typeof sheets];
  render(<Sheet project={project} id={member.id} />);
  cleanup();
}

test.each([
  ['length', 1e9],
  ['vertical.spacing', 0],
  ['vertical.spacing', 1e-6],
])('a wall with %s %d has a fault and a sheet without bars', (path, n) => {
  expect(() =>
    show(
      demo.members.find((m) => m.mark === 'DW2')!,
      path.split('.'),
      n,
    ),
  ).not.toThrow();
});

test('a sheet that cannot be drawn says so, and undo brings it back', () => {
  const errors = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  useProject.getState().open(demo);
  useProject.getState().edit('another name', (p) => ({ ...p, name: 'Another' }));
  const Fragile = ({ name }: { name: string }) => {
    if (name === 'Another') throw new RangeError('Invalid array length');
    return <p>drawn</p>;
  };
  const Sheet = () => {
    const project = useProject((s) => s.project)!;
    return (
      <SheetBoundary project={project}>
        <Fragile name={project.name} />
      </SheetBoundary>
    );
  };
  render(<Sheet />);
  expect(screen.getByRole('alert').textContent).toContain('Invalid array length');
  fireEvent.click(screen.getByRole('button', { name: 'Undo: another name' }));
  expect(screen.getByText('drawn')).toBeTruthy();
  errors.mockRestore();
});

test.each(firsts.map((m) => [m.mark, m] as [string, Member]))('the sheet of %s stands with any number wrong', (_mark, member) => {
  const errors = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const fallen: string[] = [];
  numbersIn(member).forEach((path, k) => {
    const n = wrong[k % wrong.length]!;
    try {
      show(member, path, n);
    } catch (error) {
      fallen.push(`${path.join('.')} = ${n}: ${String(error).slice(0, 120)}`);
    }
  });
  errors.mockRestore();
  expect(fallen).toEqual([]);
});
