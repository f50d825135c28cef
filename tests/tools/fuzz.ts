import { readFileSync } from 'node:fs';
import { designNow } from '@/core/project/design-member';
import { memberPaper } from '@/core/project/member-paper';
import { readProject } from '@/core/project/read';
import { writeProject } from '@/core/project/write';

/** What can go wrong with a file that somebody changed: none of it ever may. */
export type Bad =
  | 'reading threw'
  | 'design threw'
  | 'paper threw'
  | 'not equal when read back'
  | 'no finite figure'
  | 'negative utilisation'
  | 'raw or long message'
  | 'slow';

export interface Finding {
  readonly run: number;
  readonly bad: Bad;
  readonly what: string;
  readonly changes: readonly string[];
}

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Mulberry32: small, seeded, the same everywhere. */
export function random(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

const EXAMPLES = ['alderlight-playhouse', 'alderlight-floors', 'alderlight-annex-us', 'alderlight-ferry-house'];

/** One project for each member of the examples, with those that it is designed with. */
export function seeds(): Json[] {
  return EXAMPLES.flatMap((name) => {
    const project = JSON.parse(readFileSync(`examples/${name}.intarsia`, 'utf8')) as {
      members: { id: string; type: string; from?: unknown }[];
    };
    return project.members
      .filter((m) => m.type !== 'plate')
      .map(
        (m) =>
          ({
            ...project,
            members: [m, ...(m.from ? project.members.filter((o) => o.id !== m.id && o.type !== 'plate') : [])],
          }) as unknown as Json,
      );
  });
}

const nest = (depth: number): Json => {
  let inner: Json = 1;
  for (let i = 0; i < depth; i += 1) inner = i % 2 === 0 ? [inner] : { a: inner };
  return inner;
};

/** What stands in a file in the place of what belongs there. */
const HOSTILE: readonly (() => Json)[] = [
  () => 0,
  () => -1,
  () => -100,
  () => 1e-9,
  () => 1e9,
  () => 1e300,
  () => -1e300,
  () => Infinity,
  () => -Infinity,
  () => 0.5,
  () => 3.7,
  () => 1e6,
  () => null,
  () => true,
  () => false,
  () => '',
  () => ' ',
  () => 'toString',
  () => 'constructor',
  () => '__proto__',
  () => 'hasOwnProperty',
  () => '12',
  () => '-5',
  () => 'NaN',
  () => '1e999',
  () => '=1+1',
  () => '<script>alert(1)</script>',
  () => 'x'.repeat(5000),
  () => '\u0000\uD800',
  () => [],
  () => ({}),
  () => [null],
  () => [[]],
  () => [{}],
  () => nest(4),
  () => nest(900),
  () => ({ toString: 1 }),
  () => ({ type: 'toString' }),
  () => ({ valueOf: null, toJSON: 'x' }),
];

interface Place {
  readonly holder: Json[] | { [key: string]: Json };
  readonly key: string | number;
  readonly path: string;
}

function placesOf(value: Json, path: string, out: Place[]): Place[] {
  if (path.length > 400) return out;
  if (Array.isArray(value))
    value.forEach((v, i) => {
      out.push({ holder: value, key: i, path: `${path}[${i}]` });
      placesOf(v, `${path}[${i}]`, out);
    });
  else if (typeof value === 'object' && value !== null)
    for (const [key, v] of Object.entries(value)) {
      out.push({ holder: value, key, path: `${path}.${key}` });
      placesOf(v, `${path}.${key}`, out);
    }
  return out;
}

const valueAt = ({ holder, key }: Place): Json => (holder as Record<string, Json>)[key as string] ?? null;

const set = ({ holder, key }: Place, value: Json) =>
  Object.defineProperty(holder, key, { value, enumerable: true, configurable: true, writable: true });

function short(v: Json): string {
  try {
    return (JSON.stringify(v, (_k, x: unknown) => (x === Infinity ? '1e999' : x)) ?? '').slice(0, 60);
  } catch {
    return 'very deep';
  }
}

function changeNumber(v: number, pick: () => number): number {
  const by = [0, -1, 0.1, 0.01, 10, 100, 1000, 1e6, 0.99, 1.01][Math.floor(pick() * 10)]!;
  return v * by;
}

/** One to three changes at places that the members have more often than the project. */
function mutate(project: Json, pick: () => number): string[] {
  const changes: string[] = [];
  const count = 1 + Math.floor(pick() ** 2 * 3);
  for (let n = 0; n < count; n += 1) {
    const all = placesOf(project, '', []);
    const within = all.filter((p) => p.path.startsWith('.members[0]'));
    const near = pick() < 0.85 && within.length > 0 ? within : all;
    const figures = near.filter((p) => typeof valueAt(p) === 'number');
    const wantsFigure = pick() < 0.6 && figures.length > 0;
    const from = wantsFigure ? figures : near;
    const place = from[Math.floor(pick() * from.length)];
    if (!place) continue;
    const before = valueAt(place);
    const how = wantsFigure ? 0.8 * pick() : pick();
    if (how < (wantsFigure ? 0.7 : 0.35) && typeof before === 'number') set(place, changeNumber(before, pick));
    else if (how < 0.72) set(place, HOSTILE[Math.floor(pick() * HOSTILE.length)]!());
    else if (how < 0.8 && Array.isArray(place.holder)) place.holder.splice(Number(place.key), 1);
    else if (how < 0.86 && Array.isArray(place.holder)) place.holder.push(structuredClone(before));
    else if (how < 0.92)
      set(
        place,
        structuredClone(
          (() => {
            const o = all[Math.floor(pick() * all.length)]!;
            return (o.holder as Record<string, Json>)[o.key as string]!;
          })(),
        ),
      );
    else if (!Array.isArray(place.holder)) {
      delete place.holder[place.key as string];
      if (pick() < 0.3) set({ ...place, key: ['toString', '__proto__', 'constructor', 'valueOf'][Math.floor(pick() * 4)]! }, before);
    }
    changes.push(`${place.path}: ${short(before)} -> ${short((place.holder as Record<string, Json>)[place.key as string] ?? null)}`);
  }
  return changes;
}

const RAW = /\[object|must be a `|Cannot (read|convert|set)|is not a function|undefined|NaN|`this|typeError|this field/;
const LONGEST = 600;

function wordsFault(text: string): string | null {
  if (text.length > LONGEST) return `${text.length} characters: ${text.slice(0, 80)}`;
  // What was typed may be repeated in a message.
  return RAW.test(text.replace(/["“][^"”]*["”]/g, '')) ? text.slice(0, 160) : null;
}

/** A figure that is none, by its path; undefined where there is no such. Arrays of figures along a member count too. */
function notFinite(value: unknown, path: string, depth = 0): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : `${path} ${value}`;
  if (typeof value !== 'object' || value === null || depth > 14) return undefined;
  if (ArrayBuffer.isView(value)) {
    const i = Array.prototype.findIndex.call(value, (v: number) => Number.isNaN(v));
    return i >= 0 ? `${path}[${i}] NaN` : undefined;
  }
  for (const [key, v] of Object.entries(value)) {
    const found = notFinite(v, `${path}.${key}`, depth + 1);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** Milliseconds beyond which a design is too slow, on a machine that is busy with other things. */
const SLOW = 5000;

const message = (error: unknown) =>
  (error instanceof Error
    ? `${error.message} @ ${(error.stack ?? '')
        .split('\n')
        .slice(1, 4)
        .map((l) =>
          l
            .trim()
            .replace(/^at /, '')
            .replace(/\(.*\/(src|\.reports)/, '($1'),
        )
        .join(' < ')}`
    : String(error)
  ).slice(0, 420);

/** Changes a project by a seed, takes it through reading, design and paper, and says everything that went wrong. */
export function judge(seed: Json, run: number): { readonly findings: Finding[]; readonly isRefused: boolean } {
  const pick = random(run * 2654435761);
  const raw = structuredClone(seed);
  const changes = mutate(raw, pick);
  const findings: Finding[] = [];
  const add = (bad: Bad, what: string) => findings.push({ run, bad, what, changes });
  const started = performance.now();
  let read: ReturnType<typeof readProject>;
  try {
    read = readProject(raw);
  } catch (error) {
    add('reading threw', message(error));
    return { findings, isRefused: true };
  }
  if (!read.ok) {
    for (const { reason, path } of read.faults) {
      const fault = wordsFault(`${path}: ${reason}`);
      if (fault) add('raw or long message', fault);
    }
    return { findings, isRefused: true };
  }
  const { project } = read;
  try {
    const again = readProject(JSON.parse(writeProject(project)));
    if (!again.ok)
      add(
        'not equal when read back',
        again.faults
          .map((f) => `${f.path} ${f.reason}`)
          .join('; ')
          .slice(0, 200),
      );
    else if (writeProject(again.project) !== writeProject(project)) add('not equal when read back', 'texts differ');
  } catch (error) {
    add('reading threw', `writing: ${message(error)}`);
  }
  const member = project.members[0];
  if (!member) return { findings, isRefused: false };
  try {
    const result = designNow(project, member, 'all');
    for (const c of result.checks) {
      if (c.utilisation !== null && c.utilisation < 0) add('negative utilisation', `${c.id} ${c.utilisation}`);
      if (Number.isNaN(c.utilisation)) add('no finite figure', `${c.id} utilisation`);
      for (const text of [c.reason ?? '', c.title]) {
        const fault = wordsFault(text);
        if (fault) add('raw or long message', `${c.id}: ${fault}`);
      }
    }
    for (const f of result.faults) {
      const fault = wordsFault(`${f.path}: ${f.reason}`);
      if (fault) add('raw or long message', fault);
    }
    const none = notFinite(result, '');
    if (none !== undefined) add('no finite figure', none);
    try {
      memberPaper(project, member, result);
    } catch (error) {
      add('paper threw', message(error));
    }
  } catch (error) {
    add('design threw', message(error));
  }
  const ms = performance.now() - started;
  if (ms > SLOW) add('slow', `${Math.round(ms)} ms`);
  return { findings, isRefused: false };
}
