import { setAt, valueAt } from '@/ui/fields/paths';

describe('paths into a member', () => {
  const member = () => ({ cover: { top: 30 }, spans: [{ h: null }, { h: 250 as number | undefined }] });
  test('a value is read through objects and lists; where the way ends there is none', () => {
    expect(valueAt(member(), 'cover.top')).toBe(30);
    expect(valueAt(member(), 'spans[1].h')).toBe(250);
    expect(valueAt(member(), 'spans[4].h')).toBeUndefined();
    expect(valueAt(member(), 'cover.top.more')).toBeUndefined();
  });
  test('a value is put in its place alone; undefined takes it away', () => {
    const m = member();
    setAt(m, 'spans[0].h', 180);
    expect(m).toEqual({ ...member(), spans: [{ h: 180 }, { h: 250 }] });
    setAt(m, 'spans[1].h', undefined);
    expect('h' in m.spans[1]!).toBe(false);
  });
  test('a way that is not there is a fault of the program', () => {
    expect(() => setAt(member(), 'slab.left', 1)).toThrow('Nothing at slab.left');
  });
});
