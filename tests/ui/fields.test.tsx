import { act, fireEvent, render, screen } from '@testing-library/react';
import { produce } from 'immer';
import { designNow } from '@/core/project/design-member';
import type { BeamMember } from '@/core/members/beam/input';
import type { BeamHandle } from '@/core/members/beam/drawing/handles';
import { beamField } from '@/features/beam/fields';
import { parseBars, parseLinks } from '@/ui/fields/value-field';
import { nearestStation, placeName } from '@/ui/sheet/stations';
import { ValueEditor } from '@/ui/fields/ValueEditor';
import { useProject } from '@/store/project-store';
import { firstMember, openWithResults, projectOf, stubBrowser } from './fixtures';

beforeAll(stubBrowser);

const project = projectOf({
  section: { shape: 'T', b: 300, h: 450, flangeWidth: 900, flangeDepth: 120 },
  loads: [
    { type: 'uniform', case: 'G', value: 15 },
    { type: 'point', case: 'Q', span: 1, at: 2000, force: 40 },
    { type: 'moment', case: 'Q', span: 0, at: 2000, moment: 12 },
    { type: 'trapezoidal', case: 'Q', span: 0, from: 0, to: 3000, start: 4, end: 9 },
  ],
});
const member = firstMember(project);
const result = designNow(project, member);
const place = { project, member, steel: result.steel };
const at = (handle: BeamHandle) => beamField(handle, place)!;

/** What a member becomes when a text is typed into a field of the drawing. */
function typed(handle: BeamHandle, text: string): BeamMember {
  const parsed = at(handle).parse(text);
  if (!parsed.ok) throw new Error(parsed.reason);
  return produce(member, parsed.apply);
}

describe('values of the drawing', () => {
  test.each([
    [{ of: 'section', side: 'h' }, '18 in', (m: BeamMember) => m.section.h, 457.2],
    [{ of: 'section', side: 'b' }, '0,35 m', (m: BeamMember) => m.section.b, 350],
    [{ of: 'section', side: 'flangeWidth' }, '1000', (m: BeamMember) => m.section.flangeWidth, 1000],
    [{ of: 'section', side: 'flangeDepth' }, '140', (m: BeamMember) => m.section.flangeDepth, 140],
    [{ of: 'spanLength', span: 1 }, '7.2 m', (m: BeamMember) => m.spans[1]!.length, 7200],
    [{ of: 'load', load: 0 }, '20', (m: BeamMember) => (m.loads[0] as { value: number }).value, 20],
    [{ of: 'load', load: 1 }, '12 kip', (m: BeamMember) => (m.loads[1] as { force: number }).force, 53_378.66],
    [{ of: 'load', load: 2 }, '-8', (m: BeamMember) => (m.loads[2] as { moment: number }).moment, -8e6],
    [{ of: 'load', load: 3 }, '6', (m: BeamMember) => (m.loads[3] as { start: number }).start, 6],
  ] as const)('%o typed as %s', (handle, text, read, value) => expect(read(typed(handle, text))).toBeCloseTo(value, 1));

  test('nothing else changes', () => {
    const next = typed({ of: 'section', side: 'h' }, '500');
    expect(next.spans).toBe(member.spans);
    expect(next.loads).toBe(member.loads);
    expect(next.section).toEqual({ ...member.section, h: 500 });
  });
  test('a refused text says why and changes nothing', () => {
    expect(at({ of: 'section', side: 'h' }).parse('30 kN')).toEqual({ ok: false, reason: 'kN is not a unit for this value; use mm.' });
  });
  test('arrow keys step by what is usual for the quantity, ten times and a tenth', () => {
    const h = at({ of: 'section', side: 'h' });
    expect(h.step!('450', 1, 1)).toBe('475');
    expect(h.step!('450', -1, 10)).toBe('200');
    expect(h.step!('450', 1, 0.1)).toBe('452.5');
    expect(h.stepHint).toBe('25 mm');
  });
  test('what has an editor of its own, or is not there, has no field', () => {
    expect(beamField({ of: 'support', support: 1 }, place)).toBeUndefined();
    expect(beamField({ of: 'load', load: 9 }, place)).toBeUndefined();
  });
});

describe('bars', () => {
  test.each([
    ['4H20', { count: 4, size: '20' }],
    ['4 x 20', { count: 4, size: '20' }],
    ['3T16', { count: 3, size: '16' }],
    ['2 of 25', { count: 2, size: '25' }],
    ['auto', null],
  ])('%s', (text, group) => expect(parseBars(text, member)).toEqual({ ok: true, group }));
  test.each([
    ['many', 'Type a number and a size'],
    ['4H21', 'No such size'],
    ['99H20', 'At most 60 bars.'],
  ])('%s is refused', (text, reason) => {
    const parsed = parseBars(text, member);
    expect(parsed.ok ? '' : parsed.reason).toContain(reason);
  });
  test('US sizes', () => {
    const us = { ...member, catalogue: 'us' as const };
    expect(parseBars('4 #6', us)).toEqual({ ok: true, group: { count: 4, size: '#6' } });
    expect(parseBars('4#11', us)).toEqual({ ok: true, group: { count: 4, size: '#11' } });
  });
  test('set by hand, there is a way back to the automatic choice', () => {
    const own = typed({ of: 'over', support: 1 }, '6H16');
    expect(own.bars.support[1]!.bars).toEqual({ count: 6, size: '16' });
    const field = beamField({ of: 'over', support: 1 }, { ...place, member: own })!;
    expect(field.hint).toBe('set by hand');
    expect(produce(own, field.reset!).bars.support[1]!.bars).toBeNull();
    expect(at({ of: 'over', support: 1 }).hint).toBe('chosen automatically');
  });
  test.each<[BeamHandle, string]>([
    [{ of: 'bottom', span: 0 }, '5H25'],
    [{ of: 'extra', span: 1 }, '3H12'],
    [{ of: 'top', span: 1 }, '4H10'],
    [{ of: 'over', support: 1 }, '9H20'],
    [{ of: 'overEnd', support: 1, end: 'left' }, '1234'],
    [{ of: 'overEnd', support: 1, end: 'right' }, '2345'],
    [{ of: 'links', span: 0, zone: 0 }, 'H10 @ 125'],
  ])('opened again at once, %o shows what was set, though the steel drawn is still the one before', (handle, text) => {
    const field = beamField(handle, { ...place, member: typed(handle, text) })!;
    expect(field.text).toBe(text);
    expect(field.reset).toBeDefined();
  });
  test('arrows add a bar, with Shift a size', () => {
    const field = at({ of: 'bottom', span: 0 });
    expect(field.step!('4H20', 1, 1)).toBe('5H20');
    expect(field.step!('4H20', 1, 10)).toBe('4H25');
    expect(field.step!('0H20', -1, 1)).toBe('0H20');
  });
});

describe('links', () => {
  test.each([
    ['H8 @ 150', { size: '8', legs: 2, spacing: 150 }],
    ['10 at 0.2 m', { size: '10', legs: 2, spacing: 200 }],
    ['4 legs H10 @ 100', { size: '10', legs: 4, spacing: 100 }],
    ['8-175', { size: '8', legs: 2, spacing: 175 }],
  ])('%s', (text, zone) => expect(parseLinks(text, member, 'SI', 2)).toEqual({ ok: true, zone }));
  test.each(['H8', 'H7 @ 150', '@ 150', 'H8 @ often'])('%s is refused', (text) => expect(parseLinks(text, member, 'SI', 2).ok).toBe(false));
  test('one zone is changed, the others become what they were chosen to be', () => {
    const zones = result.steel!.links[0]!;
    const next = typed({ of: 'links', span: 0, zone: 0 }, 'H10 @ 100').bars.links[0]!.zones!;
    expect(next).toHaveLength(zones.length);
    expect(next[0]).toEqual({ ...zones[0], size: '10', spacing: 100 });
    expect(next.slice(1)).toEqual(zones.slice(1));
    expect(typed({ of: 'links', span: 0, zone: 0 }, 'auto').bars.links[0]!.zones).toBeNull();
  });
});

test('places are named by support within its width, else by span', () => {
  expect(placeName(member, 0)).toBe('support A');
  expect(placeName(member, 6100)).toBe('support B');
  expect(placeName(member, 6200)).toBe('span 2');
  expect(placeName(member, 3000)).toBe('span 1');
});

test('of two stations at one place the one with the larger moment is taken', () => {
  const strips = result.strips!;
  const i = nearestStation(strips, 6000);
  expect(strips.x[i]).toBeCloseTo(6000, 6);
  const size = (k: number) => Math.max(strips.shiftedHogging[k]!, strips.shiftedSagging[k]!);
  strips.x.forEach((x, k) => Math.abs(x - 6000) < 1e-6 && expect(size(i)).toBeGreaterThanOrEqual(size(k)));
});

describe('the editor of a value', () => {
  function open(handle: BeamHandle = { of: 'section', side: 'h' }) {
    openWithResults(project);
    const target = document.createElement('span');
    document.body.append(target);
    const onClose = jest.fn();
    const onNext = jest.fn();
    render(
      <ValueEditor<BeamMember> member={member} field={at(handle)} handle={handle} target={target} onClose={onClose} onNext={onNext} />,
    );
    const input = screen.getByRole('textbox') as HTMLInputElement;
    return { onClose, onNext, input, type: (text: string) => act(() => void fireEvent.change(input, { target: { value: text } })) };
  }
  const kept = () => firstMember(useProject.getState().project!).section.h;

  test('typing previews, Enter keeps as one named edit', () => {
    const { type, input, onClose } = open();
    type('600');
    expect((useProject.getState().preview!.members[0] as BeamMember).section.h).toBe(600);
    expect(kept()).toBe(450);
    act(() => void fireEvent.keyDown(input, { key: 'Enter' }));
    expect(kept()).toBe(600);
    expect(useProject.getState().preview).toBeNull();
    expect(useProject.getState().past.map((s) => s.label)).toEqual(['set overall depth h of B1 to 600 mm']);
    expect(onClose).toHaveBeenCalled();
  });
  test('Escape leaves everything as it was', () => {
    const { type, input } = open();
    type('600');
    act(() => void fireEvent.keyDown(input, { key: 'Escape' }));
    expect(kept()).toBe(450);
    expect(useProject.getState().preview).toBeNull();
    expect(useProject.getState().past).toHaveLength(0);
  });
  test('a value typed is set by hand, also where it is the one that was chosen; looking at it sets nothing', () => {
    const bars = () => firstMember(useProject.getState().project!).bars.bottom[0]!.main;
    const { type, input } = open({ of: 'bottom', span: 0 });
    const chosen = input.value;
    expect(chosen).toMatch(/^\d/);
    act(() => void fireEvent.keyDown(input, { key: 'Enter' }));
    expect(bars()).toBeNull();
    type(`${chosen} `);
    type(chosen);
    act(() => void fireEvent.keyDown(input, { key: 'Enter' }));
    expect(bars()).toMatchObject({ count: Number.parseInt(chosen, 10) });
  });
  test('what is typed is kept when the page closes before Enter', () => {
    const { type } = open();
    type('640');
    act(() => useProject.getState().keepTyped());
    expect(kept()).toBe(640);
    expect(useProject.getState().past.map((s) => s.label)).toEqual(['set overall depth h of B1 to 640 mm']);
  });
  test('Tab keeps and goes on, Shift Tab back', () => {
    const { type, input, onNext } = open();
    type('500');
    act(() => void fireEvent.keyDown(input, { key: 'Tab', shiftKey: true }));
    expect(kept()).toBe(500);
    expect(onNext).toHaveBeenCalledWith(-1);
  });
  test('a refused text previews nothing and cannot be kept', () => {
    const { type, input, onClose } = open();
    type('600');
    type('600 kN');
    expect(useProject.getState().preview).toBeNull();
    expect(screen.getByText('kN is not a unit for this value; use mm.')).toBeTruthy();
    act(() => void fireEvent.keyDown(input, { key: 'Enter' }));
    expect(kept()).toBe(450);
    expect(onClose).not.toHaveBeenCalled();
  });
  test('arrows step the value under the cursor', () => {
    const { input } = open();
    act(() => void fireEvent.keyDown(input, { key: 'ArrowUp' }));
    expect(input.value).toBe('475');
    act(() => void fireEvent.keyDown(input, { key: 'ArrowDown', shiftKey: true }));
    expect(input.value).toBe('225');
  });
});
