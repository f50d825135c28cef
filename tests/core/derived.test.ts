import { readFileSync } from 'node:fs';
import type { Step } from '@/core/calc/calc';
import { significant } from '@/core/calc/typeset';
import { codeVariants, makeCode } from '@/core/codes/registry';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { displayUnit } from '@/core/units/quantity';

/** A check explains itself: demand and capacity stand among its steps, to the digits shown, whatever the kind of member and the code. */

function example(file: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${file}`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

const codes = codeVariants.filter((v, i, all) => all.findIndex((w) => w.id === v.id) === i);
const cases = ['alderlight-playhouse.intarsia', 'alderlight-annex-us.intarsia', 'alderlight-ferry-house.intarsia'].flatMap((file) =>
  codes.map(({ id, variant }) => {
    const project = example(file);
    const classes = Object.keys(makeCode({ id, variant, choices: {} }).frames.classes);
    // A member of a ductile frame is in the most ductile one of each code.
    const members = project.members.map((m) => ('frame' in m && m.frame !== 'none' ? { ...m, frame: classes.at(-1)! } : m));
    return [file, id, { ...project, members, code: { id, variant, choices: {} } }] as const;
  }),
);

/** Four figures, as a step shows them. */
const shown = (v: number) => significant(v, 4);
const values = (steps: readonly Step[]) => steps.flatMap((s) => (s.kind === 'note' ? [] : s.kind === 'table' ? s.rows.flat() : [s.value]));

describe('every figure is the result of its steps', () => {
  test.each(cases)('%s to %s', (_file, _id, project) => {
    const missing: string[] = [];
    let compared = 0;
    for (const member of project.members) {
      for (const check of designNow(project, member, 'all').checks) {
        if (check.status === 'notCovered' || check.status === 'failed') continue;
        const among = values(check.derivation ?? []);
        for (const side of ['demand', 'capacity'] as const) {
          const figure = check[side];
          if (!figure || !Number.isFinite(figure.value)) continue;
          compared += 1;
          const { factor } = displayUnit(figure.kind, project.display).unit;
          const text = shown(figure.value / factor);
          if (!among.some((v) => shown(v / factor) === text)) missing.push(`${member.mark} ${check.id} ${side} ${text}`);
        }
      }
    }
    expect(missing).toEqual([]);
    expect(compared).toBeGreaterThan(100);
  });
});
