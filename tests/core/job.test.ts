import { asJob, atOnce, inSteps, Stopped, type Progress } from '@/core/job';
import { designMember, designNow } from '@/core/project/design-member';
import type { ColumnMember } from '@/core/members/column/input';
import { readProject } from '@/core/project/read';

const read = readProject({
  format: 'intarsia',
  version: 1,
  members: [
    {
      type: 'column',
      mark: 'C1',
      sets: Array.from({ length: 900 }, (_, i) => ({ name: `L${i}`, N: 400 + i, mxTop: 40 + (i % 50), mxBottom: -20, sustained: 0.5 })),
    },
  ],
});
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const { project } = read;
const column = project.members[0] as ColumnMember;

describe('work in steps', () => {
  test('gives the same at once and as a job, and tells how far it is', async () => {
    const told: Progress[] = [];
    const result = await designMember(project, column, { derive: [], progress: (p) => void told.push(p) });
    expect(result).toEqual(designNow(project, column));
    expect(result.summaries).toHaveLength(900);
    expect(told.map((p) => p.words)).toEqual([
      '200 of 900 load sets',
      '400 of 900 load sets',
      '600 of 900 load sets',
      '800 of 900 load sets',
    ]);
    expect(told.map((p) => p.share)).toEqual([2 / 9, 4 / 9, 6 / 9, 8 / 9]);
  });

  test('is left between steps when it is no longer wanted', async () => {
    const signal = { aborted: false };
    let steps = 0;
    const progress = () => {
      steps += 1;
      signal.aborted = steps === 2;
    };
    await expect(designMember(project, column, { derive: [], progress, signal })).rejects.toThrow(Stopped);
    expect(steps).toBe(2);
  });

  test('others have their turn while progress is told', async () => {
    const order: string[] = [];
    const work = inSteps([1, 2, 3], 1, 'things', (n) => {
      order.push(`${n}`);
      return 2 * n;
    });
    const list = await asJob(work, { progress: async () => void (await Promise.resolve(order.push('other'))) });
    expect(list).toEqual([2, 4, 6]);
    expect(order).toEqual(['1', 'other', '2', 'other', '3']);
  });

  test('short work is given as it is', async () => {
    expect(atOnce({ sum: 3 })).toEqual({ sum: 3 });
    expect(await asJob({ sum: 3 }, {})).toEqual({ sum: 3 });
    expect(atOnce(inSteps([], 5, 'things', (n) => n))).toEqual([]);
  });
});
