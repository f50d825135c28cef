import { fireEvent, render, screen } from '@testing-library/react';
import { produce, type Draft } from 'immer';
import type { BeamResult } from '@/core/members/beam/result';
import { designNow } from '@/core/project/design-member';
import type { BeamMember } from '@/core/members/beam/input';
import { barEndAt, movedTo } from '@/ui/fields/bar-ends';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { handle, type Handle } from '@/core/drawing/shapes';
import { firstMember, projectOf } from './fixtures';

const project = projectOf();
const beam = firstMember(project);
const { steel } = designNow(project, beam, []) as BeamResult;
const after = (change: (m: Draft<BeamMember>) => void) => produce(beam, change);

describe('ends of bars on the elevation', () => {
  test('a moved end snaps to whole steps of 50 mm, and to a quarter of the span nearby', () => {
    const end = barEndAt({ of: 'overEnd', support: 1, end: 'right' }, beam, steel)!;
    // 6000 + 1733 from the left end: 1733 from the support's centre, nearest step 1750; the quarter is at 1500.
    expect(movedTo(end, 7733, beam, 40).value).toBe(1750);
    expect(movedTo(end, 7522, beam, 40).value).toBeCloseTo(1500, 9);
    expect(after(movedTo(end, 7733, beam, 40).change).bars.support[1]!.right).toBe(1750);
  });
  test('to the left it is counted from the support as well', () => {
    const end = barEndAt({ of: 'overEnd', support: 1, end: 'left' }, beam, steel)!;
    expect(movedTo(end, 4233, beam, 10).value).toBe(1750);
  });
  test('no end passes the other end of its bars, or the ends of the beam', () => {
    const set = after((m) => void Object.assign(m.bars.bottom[0]!.extra, { bars: { count: 2, size: '16' }, from: 1000, to: 4000 }));
    const { steel } = designNow(project, set, []) as BeamResult;
    expect(movedTo(barEndAt({ of: 'extraEnd', span: 0, end: 'from' }, set, steel)!, 5500, set, 0).value).toBe(4000);
    expect(movedTo(barEndAt({ of: 'extraEnd', span: 0, end: 'to' }, set, steel)!, 9000, set, 0).value).toBe(6000);
    expect(movedTo(barEndAt({ of: 'overEnd', support: 1, end: 'left' }, set, steel)!, -500, set, 0).value).toBe(6000);
  });
  test('moving a zone of links sets the zones of that span by hand, the others stay', () => {
    const own = after((m) => {
      m.bars.links[0]!.zones = [
        { to: 1500, size: '8', legs: 2, spacing: 150 },
        { to: 6000, size: '8', legs: 2, spacing: 250 },
      ];
    });
    const { steel } = designNow(project, own, []) as BeamResult;
    const end = barEndAt({ of: 'linksEnd', span: 0, zone: 0 }, own, steel)!;
    const moved = produce(own, movedTo(end, 2010, own, 0).change);
    expect(moved.bars.links[0]!.zones!.map((z) => z.to)).toEqual([2000, 6000]);
    expect(moved.bars.links[1]).toBe(own.bars.links[1]);
    // Opened again before the links are drawn anew, the end is where it was put.
    expect(barEndAt({ of: 'linksEnd', span: 0, zone: 0 }, moved, steel)!.value).toBe(2000);
    expect(produce(own, (m) => end.set(m, null)).bars.links[0]!.zones).toBeNull();
    expect(barEndAt({ of: 'linksEnd', span: 0, zone: 1 }, own, steel)).toBeUndefined();
  });
  test('what is no end is none', () => {
    expect(barEndAt({ of: 'overEnd', support: 0, end: 'left' }, beam, steel)).toBeUndefined();
    expect(barEndAt({ of: 'support' }, beam, steel)).toBeUndefined();
    expect(barEndAt({ of: 'overEnd', support: 1, end: 'left' }, beam, null)).toBeUndefined();
  });
});

describe('a handle', () => {
  const drawing = { width: 200, height: 50, title: 'Test', shapes: [handle<Handle>([50, 20], { of: 'end' }, 'The end')] };
  test('follows the pointer and is let go; pressed without moving it opens its value', () => {
    const [edits, drags]: [string[], string[]] = [[], []];
    render(<DrawingView drawing={drawing} onEdit={(h) => edits.push(h.of)} onDrag={(h, _, phase) => drags.push(`${h.of} ${phase}`)} />);
    const mark = screen.getByRole('button', { name: 'The end' });
    fireEvent.pointerDown(mark, { clientX: 50 });
    fireEvent.pointerUp(mark, { clientX: 50 });
    fireEvent.click(mark);
    expect([edits, drags]).toEqual([['end'], []]);
    fireEvent.pointerDown(mark, { clientX: 50 });
    fireEvent.pointerMove(mark, { clientX: 80 });
    fireEvent.pointerUp(mark, { clientX: 80 });
    fireEvent.click(mark);
    expect(drags).toEqual(['end move', 'end end']);
    expect(edits).toHaveLength(1);
  });
});
