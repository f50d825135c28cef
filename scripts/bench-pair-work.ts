/** Times some designs once each, in milliseconds as JSON: run in turns with the same of another commit. Bundled with `@` as the sources of either. */
import { readFileSync } from 'node:fs';
import { proposeBeam } from '@/core/members/beam/proposals';
import { codeOf } from '@/core/members/member';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { readProjectText } from '@/exchange/project-text';
import { threeSpansFile } from './three-spans';

const demo = readProjectText(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8'));
if (!demo.ok) throw new Error('the demo does not open');
const { project } = demo;

function threeSpans(id: string, variant: string) {
  const read = readProject(threeSpansFile({ id, variant }));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

const member = (id: string) => project.members.find((m) => m.id === id)!;
const designs = (p: typeof project, m: (typeof project.members)[number], times: number) => () => {
  for (let i = 0; i < times; i += 1) designNow(p, { ...m });
};
const [en, aci, as] = [threeSpans('en1992', 'uk'), threeSpans('aci318', 'SI'), threeSpans('as3600', '2018')];
const beams = project.members.filter((m) => m.type === 'beam');
const g2 = member('g2');

/** Work, how often it is done for one figure, and the work itself. */
const works: readonly (readonly [string, number, () => void])[] = [
  ['3-span beam, EN 1992, every check', 5, designs(en, en.members[0]!, 5)],
  ['3-span beam, ACI 318, every check', 5, designs(aci, aci.members[0]!, 5)],
  ['3-span beam, AS 3600, every check', 5, designs(as, as.members[0]!, 5)],
  ['G2 of the demo, every check', 5, designs(project, g2, 5)],
  ['slab strip CS1, every check', 5, designs(project, member('cs1'), 5)],
  [
    'proposals: arrangements for G2',
    1,
    () => void (g2.type === 'beam' && proposeBeam(g2, codeOf(project, g2), 'arrangements', project.rates)),
  ],
  [
    '500 beams, one thread',
    1,
    () => beams.length > 0 && Array.from({ length: 500 }, (_, i) => designNow(project, { ...beams[i % beams.length]! })),
  ],
];

const times: Record<string, number[]> = {};
const rounds = Number(process.argv[2] ?? 3);
const wanted = process.argv[3] ?? '';
for (let round = 0; round <= rounds; round += 1)
  for (const [name, count, work] of works.filter(([title]) => title.includes(wanted))) {
    if (round === 0 && name.startsWith('500')) continue;
    const start = performance.now();
    work();
    // The first round only makes the program warm.
    if (round > 0 && !(name.startsWith('500') && round > 1)) (times[name] ??= []).push((performance.now() - start) / count);
  }
console.log(JSON.stringify(times));
