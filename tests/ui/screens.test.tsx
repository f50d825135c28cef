import 'fake-indexeddb/auto';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { useRouter, useSearchParams } from 'next/navigation';
import { designNow } from '@/core/project/design-member';
import type { BeamMember } from '@/core/members/beam/input';
import { ProjectScreen } from '@/features/project/ProjectScreen';
import { ReportPage } from '@/features/report/ReportPage';
import { StartScreen } from '@/features/start/StartScreen';
import { derivedFor, memberPaper } from '@/core/project/member-paper';
import { projectReport } from '@/core/project/project-report';
import type { ReportDetail } from '@/core/members/member';
import { listProjects, projectHistory, saveProject } from '@/store/storage';
import { useProject } from '@/store/project-store';
import { FindOrDo } from '@/ui/dialogs/FindOrDo';
import { HistoryDialog } from '@/ui/dialogs/HistoryDialog';
import { TopBar } from '@/ui/sheet/TopBar';
import { firstMember, openWithResults, projectOf, stubBrowser } from './fixtures';

jest.mock('next/navigation', () => ({ useRouter: jest.fn(), useSearchParams: jest.fn() }));
// Workers that never answer.
jest.mock('@/workers/start-worker', () => {
  const idle = () => ({ run: () => new Promise(() => undefined), stop: () => undefined, end: () => undefined, onGone: () => undefined });
  return { startDesigner: idle, startSearcher: idle, startReporter: idle };
});

const push = jest.fn();
beforeAll(() => {
  stubBrowser();
  globalThis.structuredClone ??= ((v: unknown) => JSON.parse(JSON.stringify(v)) as unknown) as typeof structuredClone;
});
beforeEach(() => {
  push.mockClear();
  (useRouter as jest.Mock).mockReturnValue({ push });
  (useSearchParams as jest.Mock).mockReturnValue(new URLSearchParams());
});

function file(text: string, name = 'a.intarsia', size?: number): File {
  const f = new File([text], name);
  // jsdom's File reads no text.
  Object.defineProperty(f, 'text', { value: async () => text });
  if (size) Object.defineProperty(f, 'size', { value: size });
  return f;
}

describe('the start', () => {
  const choose = (f: File) => act(async () => void fireEvent.change(screen.getByLabelText('Project file'), { target: { files: [f] } }));

  test('a file opens as a project of its own, kept in the browser', async () => {
    render(<StartScreen />);
    await choose(file('{"format":"intarsia","version":1,"id":"f1","name":"From a file","members":[{"mark":"B1"}]}'));
    await waitFor(() => expect(push).toHaveBeenCalledWith('/project?p=f1'));
    expect((await listProjects()).find((p) => p.id === 'f1')).toMatchObject({ name: 'From a file', members: 1 });
    expect(useProject.getState().project!.name).toBe('From a file');
  });
  describe('a file whose project is here already asks', () => {
    const again = async (answer: string) => {
      render(<StartScreen />);
      await choose(file('{"format":"intarsia","version":1,"id":"f1","name":"Changed elsewhere","members":[]}'));
      await waitFor(() => expect(screen.getByRole('alertdialog').textContent).toContain('is in this browser already'));
      await act(async () => void fireEvent.click(screen.getByRole('button', { name: answer })));
    };
    const names = async () => (await listProjects()).map((p) => p.name).sort();
    test('Cancel changes nothing', async () => {
      const before = await names();
      await again('Cancel');
      expect(screen.queryByRole('alertdialog')).toBeNull();
      expect([await names(), push.mock.calls]).toEqual([before, []]);
    });
    test('Open the one here leaves the file alone', async () => {
      const before = await names();
      await again('Open the one here');
      expect(push).toHaveBeenCalledWith('/project?p=f1');
      expect(await names()).toEqual(before);
    });
    test('Keep both makes a project of its own', async () => {
      await again('Keep both');
      await waitFor(() => expect(push).toHaveBeenCalled());
      expect(await names()).toEqual(expect.arrayContaining(['From a file', 'Changed elsewhere 2']));
    });
    test('Replace keeps what was here among its earlier states', async () => {
      await again('Replace');
      await waitFor(() => expect(push).toHaveBeenCalledWith('/project?p=f1'));
      expect((await listProjects()).find((p) => p.id === 'f1')).toMatchObject({ name: 'Changed elsewhere', members: 0 });
      expect((await projectHistory('f1')).some((h) => h.text.includes('From a file'))).toBe(true);
    });
  });
  test.each([
    ['{"format":"intarsia","version":1,"members":[{"spans":[{"length":"far"}]}]}', 'members[0].spans[0].length'],
    ['{', 'damaged'],
    ['{"format":"intarsia","version":44}', 'newer program'],
  ])('%s: the faults are shown and nothing is opened', async (text, words) => {
    render(<StartScreen />);
    await choose(file(text));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain(words));
    expect(screen.getByRole('alert').textContent).toContain('Nothing in this browser was changed.');
    expect(push).not.toHaveBeenCalled();
  });
  test('a huge file is refused before it is read', async () => {
    render(<StartScreen />);
    await choose(file('', 'huge.intarsia', 500_000_000));
    expect(screen.getByRole('alert').textContent).toContain('500 MB');
  });
  test('the demo is fetched and opened', async () => {
    const text = readFileSync('examples/alderlight-playhouse.intarsia', 'utf8');
    globalThis.fetch = jest.fn(async () => ({ text: async () => text })) as unknown as typeof fetch;
    render(<StartScreen />);
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Open Alderlight Playhouse' })));
    await waitFor(() => expect(push).toHaveBeenCalledWith('/project?p=alderlight-playhouse'));
    expect(globalThis.fetch).toHaveBeenCalledWith('/examples/alderlight-playhouse.intarsia');
  });
  test('a new project starts with a beam, or with a section for known forces', async () => {
    render(<StartScreen />);
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Bridge house' } });
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'check a section with known forces' })));
    await waitFor(() => expect(push).toHaveBeenCalledWith(expect.stringMatching(/^\/beam\?p=.*&m=m1$/)));
    const { project } = useProject.getState();
    expect(project!.name).toBe('Bridge house');
    expect(firstMember(project!).mode).toBe('forces');
  });
  test('US form brings US units', () => {
    render(<StartScreen />);
    const code = screen.getByLabelText('Code') as HTMLSelectElement;
    fireEvent.change(code, { target: { value: [...code.options].find((o) => o.text.includes('US customary'))!.value } });
    expect((screen.getByLabelText('Units') as HTMLSelectElement).value).toBe('US');
  });
});

describe('the overview', () => {
  test('settings of several members are set at once, in one step; unknown sizes are refused', () => {
    const [one, two] = [projectOf(), projectOf({ id: 'b', mark: 'B2' })];
    const project = { ...one, members: [firstMember(one), firstMember(two)] };
    openWithResults(project);
    (useSearchParams as jest.Mock).mockReturnValue(new URLSearchParams('p=p'));
    render(<ProjectScreen />);
    fireEvent.click(screen.getByLabelText('Select all that are shown'));
    const form = within(screen.getByRole('form', { name: 'Settings of the selected members' }));
    fireEvent.change(form.getByLabelText('Main sizes'), { target: { value: '21' } });
    expect(form.getByText(/No bar 21/)).toBeTruthy();
    fireEvent.change(form.getByLabelText('Main sizes'), { target: { value: '16, 20' } });
    fireEvent.change(form.getByLabelText('Partitions'), { target: { value: 'no' } });
    fireEvent.click(form.getByText('Set'));
    const now = useProject.getState().project!.members as BeamMember[];
    expect(now.map((m) => [m.barRules.mainSizes, m.service.hasPartitions, m.barRules.linkSizes])).toEqual([
      [['16', '20'], false, []],
      [['16', '20'], false, []],
    ]);
    act(() => useProject.getState().undo());
    expect((useProject.getState().project!.members[0] as BeamMember).barRules.mainSizes).toEqual([]);
  });

  test('a word and a state show fewer members', () => {
    const [one, two] = [projectOf(), projectOf({ id: 'b', mark: 'B2', title: 'Roof beam' })];
    openWithResults({ ...one, members: [firstMember(one), firstMember(two)] });
    (useSearchParams as jest.Mock).mockReturnValue(new URLSearchParams('p=p'));
    render(<ProjectScreen />);
    fireEvent.change(screen.getByLabelText('Show members with'), { target: { value: 'roof' } });
    expect(screen.getAllByRole('row')).toHaveLength(2);
    fireEvent.change(screen.getByLabelText('Show members with'), { target: { value: 'nothing like it' } });
    expect(screen.getByText('No member is like that.')).toBeTruthy();
  });

  test('members worst first, with families and what governs; totals over all', () => {
    const weak = { main: { count: 2, size: '12' }, extra: { bars: { count: 0, size: '12' } } };
    const good = projectOf();
    const bad = projectOf({ id: 'b', mark: 'B2', bars: { bottom: [weak, weak] }, service: { crackWidth: 9 } });
    const project = { ...good, members: [firstMember(good), firstMember(bad)] };
    openWithResults(project);
    (useSearchParams as jest.Mock).mockReturnValue(new URLSearchParams('p=p'));
    render(<ProjectScreen />);
    const rows = within(screen.getByRole('table')).getAllByRole('row');
    expect(rows[1]!.textContent).toContain('B2');
    expect(rows[1]!.textContent).toMatch(/needs .* mm², has/);
    expect(rows[2]!.textContent).toContain('B1');
    const q = project.members.map((m) => designNow(project, m).quantities!);
    expect(screen.getByText('Concrete').parentElement!.textContent).toContain((q.reduce((s, x) => s + x.concrete, 0) / 1e9).toFixed(1));
    fireEvent.click(rows[1]!);
    expect(push).toHaveBeenCalledWith('/beam?p=p&m=b');
  });
  test('an empty project offers the first member', () => {
    openWithResults({ ...projectOf(), members: [] });
    (useSearchParams as jest.Mock).mockReturnValue(new URLSearchParams('p=p'));
    render(<ProjectScreen />);
    act(() => void fireEvent.click(screen.getByRole('button', { name: 'check a section with known forces' })));
    expect(firstMember(useProject.getState().project!)).toMatchObject({ mode: 'forces', mark: 'B1' });
  });
  test('a project that is not here says so', async () => {
    useProject.getState().close();
    (useSearchParams as jest.Mock).mockReturnValue(new URLSearchParams('p=nowhere'));
    render(<ProjectScreen />);
    expect(await screen.findByText(/There is no such project in this browser/)).toBeTruthy();
  });
});

describe('the report on the screen', () => {
  test('title block, checks, steps by detail, assumptions and decisions', () => {
    const project = projectOf({
      report: 'full',
      decisions: [{ check: 'least-links', reason: 'Agreed with the checker.', by: 'E. Tester', date: '2026-03-01', utilisation: 2 }],
    });
    const member = firstMember(project);
    const page = (level: ReportDetail) => {
      const result = designNow(project, member, derivedFor(level));
      const report = projectReport(project, [{ member, result, blocks: memberPaper(project, member, result, level) }], false);
      return <ReportPage report={report} part={report.parts[0]!} />;
    };
    const { container, rerender } = render(page('full'));
    expect(container.textContent).toContain('Test house');
    expect(container.textContent).toContain('E. Tester');
    expect(container.textContent).toContain('Agreed with the checker.');
    expect(container.textContent).toContain('Fire resistance');
    const full = container.querySelectorAll('math').length;
    rerender(page('summary'));
    expect(container.querySelectorAll('math')).toHaveLength(0);
    rerender(page('working'));
    expect(container.querySelectorAll('math').length).toBeGreaterThan(0);
    expect(container.querySelectorAll('math').length).toBeLessThan(full);
  });
});

describe('find or do', () => {
  const open = (memberId: string | null = 'a') => {
    const a = projectOf();
    openWithResults({ ...a, members: [firstMember(a), { ...firstMember(a), id: 'b', mark: 'C7', title: 'Corridor beam' }] });
    render(<FindOrDo {...(memberId ? { memberId } : {})} />);
    act(() => void fireEvent.keyDown(window, { key: 'k', ctrlKey: true }));
    return (text: string) => act(() => void fireEvent.change(screen.getByRole('combobox'), { target: { value: text } }));
  };
  const options = () => screen.queryAllByRole('option').map((o) => o.textContent);
  const enter = () => act(() => void fireEvent.keyDown(screen.getByRole('combobox'), { key: 'Enter' }));

  test('goes to a member by any of its words', () => {
    open()('corr');
    expect(options()).toEqual(['Go toC7 Corridor beam']);
    enter();
    expect(push).toHaveBeenCalledWith('/beam?p=p&m=b');
  });
  test('sets a depth of the member in hand, in any unit, as one edit', () => {
    open()('h 24 in');
    expect(options()[0]).toBe('Seth of B1 to 610 mm');
    enter();
    expect(firstMember(useProject.getState().project!).section.h).toBeCloseTo(609.6, 9);
    expect(useProject.getState().past).toHaveLength(1);
  });
  test('sets a value of another member by its mark', () => {
    open()('c7 b 400');
    enter();
    expect((useProject.getState().project!.members[1] as BeamMember).section.b).toBe(400);
  });
  test('explains a check', () => {
    open()('explain bending, span 1');
    expect(options()[0]).toBe('ExplainBending, span 1');
    enter();
    expect(useProject.getState().openChecks).toContain('bending-span-1');
  });
  test('away from a sheet it explains the checks of every member, and says where fields are found', () => {
    const type = open(null);
    type('c7 bending, span');
    expect(options()).toEqual(['ExplainC7: Bending, span 1', 'ExplainC7: Bending, span 2']);
    enter();
    expect(useProject.getState().openChecks).toContain('bending-span-1');
    expect(push).toHaveBeenCalledWith('/beam?p=p&m=b');
    act(() => void fireEvent.keyDown(window, { key: 'k', ctrlKey: true }));
    type('cover');
    expect(screen.getByText(/Fields are found on a member’s sheet/)).toBeTruthy();
  });
  test('the field keeps the keyboard and names the proposal that Enter takes', () => {
    open()('');
    const field = screen.getByRole('combobox');
    const active = () => screen.getByRole('option', { selected: true });
    const named = () => document.getElementById(field.getAttribute('aria-activedescendant')!);
    expect(named()).toBe(active());
    expect(document.getElementById(field.getAttribute('aria-controls')!)).toBe(screen.getByRole('listbox'));
    act(() => void fireEvent.keyDown(field, { key: 'ArrowDown' }));
    expect(named()).toBe(active());
    expect(active()).toBe(screen.getAllByRole('option')[1]);
    act(() => void fireEvent.keyDown(field, { key: 'ArrowUp' }));
    act(() => void fireEvent.keyDown(field, { key: 'ArrowUp' }));
    expect(active()).toBe(screen.getAllByRole('option')[0]);
    expect(screen.getByRole('status').textContent).toBe(`${options().length} proposals`);
  });
  test('says when there is nothing of that name', () => {
    open()('zebra');
    expect(screen.getByText(/Nothing of that name/)).toBeTruthy();
    expect(screen.getByRole('combobox').getAttribute('aria-expanded')).toBe('false');
    enter();
    expect(push).not.toHaveBeenCalled();
  });
});

describe('the bar over every screen', () => {
  const show = () => {
    const project = projectOf();
    openWithResults(project);
    const view = render(<TopBar project={project} crumb="B1" memberId="a" />);
    return { ...view, project };
  };
  test('undo and redo by key, with the name of what they undo', () => {
    show();
    act(() => useProject.getState().edit('rename', (p) => ({ ...p, name: 'Renamed' })));
    expect(screen.getByRole('button', { name: 'Undo: rename' })).toBeTruthy();
    act(() => void fireEvent.keyDown(window, { key: 'z', ctrlKey: true }));
    expect(useProject.getState().project!.name).toBe('Test house');
    act(() => void fireEvent.keyDown(window, { key: 'z', ctrlKey: true, shiftKey: true }));
    expect(useProject.getState().project!.name).toBe('Renamed');
  });
  test('Ctrl P opens the report of the member', () => {
    show();
    act(() => void fireEvent.keyDown(window, { key: 'p', ctrlKey: true }));
    expect(push).toHaveBeenCalledWith('/report?p=p&m=a');
  });
  test('not saved: said loudly, with the file as the way out', () => {
    show();
    act(() =>
      useProject.getState().setSave({ kind: 'failed', reason: 'full', message: 'The browser has no space left for this project.' }),
    );
    const alert = screen.getByRole('alert');
    expect(alert.textContent).toContain('no space left');
    expect(within(alert).getByRole('button', { name: 'Download file' })).toBeTruthy();
    expect(within(alert).queryByRole('button', { name: 'Keep mine' })).toBeNull();
    act(() =>
      useProject.getState().setSave({ kind: 'failed', reason: 'conflict', message: 'This project was changed in another tab or window.' }),
    );
    expect(screen.getByRole('button', { name: 'Keep mine' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Take theirs' })).toBeTruthy();
  });
});

test('an earlier state is gone back to as a command that can be undone', async () => {
  const project = { ...projectOf(), id: 'hist' };
  await saveProject(project, 0);
  useProject.getState().open({ ...project, name: 'Later' });
  render(<HistoryDialog project={useProject.getState().project!} open onOpenChange={() => undefined} />);
  const back = await screen.findByRole('button', { name: 'Go back to this' });
  act(() => void fireEvent.click(back));
  expect(useProject.getState().project!.name).toBe('Test house');
  act(() => useProject.getState().undo());
  expect(useProject.getState().project!.name).toBe('Later');
});
