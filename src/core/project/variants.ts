import type { Member } from '../members/kinds';
import type { Project } from './project';
import { writeProject } from './write';

/** The member with today's state kept under a name. */
export function keepVariant(member: Member, name: string): Member {
  const state: Member = { ...member, variants: [], decisions: [] };
  return { ...member, variants: [...member.variants, { name, state }] } as Member;
}

/** The member without one of its variants. */
export const dropVariant = (member: Member, index: number): Member =>
  ({ ...member, variants: member.variants.filter((_, i) => i !== index) }) as Member;

/** The member in the state of a variant; the state that it leaves is kept in its place, so nothing is lost. */
export function adoptVariant(member: Member, index: number): Member {
  const chosen = member.variants[index];
  if (!chosen) return member;
  const { id, mark, place, decisions } = member;
  const left: Member = { ...member, variants: [], decisions: [] };
  const variants = member.variants.map((v, i) => (i === index ? { name: 'before', state: left } : v));
  return { ...chosen.state, id, mark, place, decisions, variants } as Member;
}

/** One input that differs, with each state's value as it is written in a file. */
export interface Difference {
  readonly path: string;
  readonly label: string;
  readonly values: readonly string[];
}

const ignored = /^(id|mark|title|place|variants|decisions|report)\b/;

/** The inputs in which some states of a member differ, in the order of the file; long tables are counted, not listed. */
export function differences(project: Project, states: readonly Member[]): Difference[] {
  const flat = states.map((state) => flatten(writtenMember(project, state)));
  const paths = [...new Set(flat.flatMap((f) => [...f.keys()]))].filter((p) => !ignored.test(p));
  return paths.flatMap((path) => {
    const values = flat.map((f) => f.get(path) ?? '–');
    return new Set(values).size > 1 ? [{ path, label: labelOf(path), values }] : [];
  });
}

function writtenMember(project: Project, state: Member): unknown {
  const text = writeProject({ ...project, members: [{ ...state, variants: [] }] });
  return (JSON.parse(text) as { members: unknown[] }).members[0];
}

/** Values by path; lists of load sets and loads as one entry. */
function flatten(value: unknown, path = '', out = new Map<string, string>()): Map<string, string> {
  if (Array.isArray(value)) {
    if (/^(sets|loads|forces|caseForces|cases)$/.test(path)) out.set(path, `${value.length}, ${checksum(JSON.stringify(value))}`);
    else value.forEach((v, i) => flatten(v, `${path}[${i + 1}]`, out));
  } else if (typeof value === 'object' && value !== null) {
    for (const [key, v] of Object.entries(value)) flatten(v, path ? `${path}.${key}` : key, out);
  } else out.set(path, value === null ? '–' : String(value));
  return out;
}

/** A short name for a content, so that two tables of equal length can be told apart. */
function checksum(text: string): string {
  let h = 0;
  for (let i = 0; i < text.length; i += 1) h = (h * 31 + text.charCodeAt(i)) | 0;
  return `#${(h >>> 0).toString(36).slice(-4)}`;
}

const words: Record<string, string> = {
  'shape.b': 'Width b, mm',
  'shape.h': 'Depth h, mm',
  'shape.diameter': 'Diameter, mm',
  'shape.kind': 'Shape',
  'section.b': 'Width b, mm',
  'section.h': 'Depth h, mm',
  height: 'Clear height, mm',
  thickness: 'Thickness, mm',
  cover: 'Cover, mm',
  'materials.concreteStrength': 'Concrete, MPa',
  'materials.steelStrength': 'Bars, MPa',
  'bars.corner': 'Corner bars',
  'bars.alongX': 'Bars between, along x',
  'bars.alongY': 'Bars between, along y',
  'bars.sizeX': 'Size, along x',
  'bars.sizeY': 'Size, along y',
  'bars.count': 'Number of bars',
  'bars.size': 'Bar size',
  'bars.kind': 'Layout of bars',
  'ties.size': 'Ties',
  'ties.spacing': 'Spacing of ties, mm',
  'axes.x.isBraced': 'Braced about x',
  'axes.y.isBraced': 'Braced about y',
  'axes.x.factor': 'Effective length factor, x',
  'axes.y.factor': 'Effective length factor, y',
  sustained: 'Sustained part',
  sets: 'Load sets',
  loads: 'Loads',
};

const labelOf = (path: string): string =>
  words[path] ??
  path
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/\./g, ', ')
    .toLowerCase();
