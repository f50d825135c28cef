/** A line of a STEP file, to which others refer. */
export interface Ref {
  readonly ref: number;
}
/** A value of an enumeration, written between dots. */
export interface Enumerated {
  readonly name: string;
}
/** A value with the name of its type: IFCLABEL('...'). */
export interface Typed {
  readonly type: string;
  readonly value: StepValue;
}
/** Stands where a value follows from others. */
export const derived = { isDerived: true } as const;

/** What an attribute holds: null is left open. Numbers are reals unless they are told to be integers. */
export type StepValue =
  null | typeof derived | string | number | boolean | Ref | Enumerated | Typed | { readonly integer: number } | readonly StepValue[];

export const enumerated = (name: string): Enumerated => ({ name });
export const typed = (type: string, value: StepValue): Typed => ({ type, value });
export const integer = (value: number) => ({ integer: value });

/** A real as ISO 10303-21 wants it: always with a point, and the mantissa before the exponent too. */
function real(value: number): string {
  if (!Number.isFinite(value)) throw new RangeError(`Not a number for a STEP file: ${value}`);
  const text = String(Math.round(value * 1e6) / 1e6);
  const [mantissa = '', exponent] = text.split('e');
  const pointed = mantissa.includes('.') ? mantissa : `${mantissa}.`;
  return exponent ? `${pointed}E${Number(exponent)}` : pointed;
}

/** A text: quotes doubled, signs beyond ASCII by their code (ISO 10303-21 6.4.3). */
export function stepText(text: string): string {
  const safe = text.replace(/\\/g, '\\\\').replace(/'/g, "''");
  const coded = safe.replace(/[^\x20-\x7e]+/g, (signs) => {
    const hex = Array.from({ length: signs.length }, (_, i) => signs.charCodeAt(i).toString(16).toUpperCase().padStart(4, '0')).join('');
    return `\\X2\\${hex}\\X0\\`;
  });
  return `'${coded}'`;
}

function written(value: StepValue): string {
  if (value === null) return '$';
  if (typeof value === 'string') return stepText(value);
  if (typeof value === 'number') return real(value);
  if (typeof value === 'boolean') return value ? '.T.' : '.F.';
  if ('ref' in value) return `#${value.ref}`;
  if ('integer' in value) return String(value.integer);
  if ('isDerived' in value) return '*';
  if ('name' in value) return `.${value.name}.`;
  if ('type' in value) return `${value.type}(${written(value.value)})`;
  return `(${value.map(written).join(',')})`;
}

/** A STEP file (ISO 10303-21), line by line. */
export class StepFile {
  private readonly lines: string[] = [];

  /** Adds a line and gives what others refer to it by. */
  add(entity: string, ...attributes: readonly StepValue[]): Ref {
    const ref = this.lines.length + 1;
    this.lines.push(`#${ref}=${entity}(${attributes.map(written).join(',')});`);
    return { ref };
  }

  text(schema: string, name: string, author: string, date: string): string {
    const stamp = /^\d{4}-\d\d-\d\d$/.test(date) ? `${date}T00:00:00` : '2000-01-01T00:00:00';
    return [
      'ISO-10303-21;',
      'HEADER;',
      "FILE_DESCRIPTION(('ViewDefinition [ReferenceView]'),'2;1');",
      `FILE_NAME(${stepText(name)},'${stamp}',(${stepText(author)}),(''),'Intarsia','Intarsia','');`,
      `FILE_SCHEMA(('${schema}'));`,
      'ENDSEC;',
      'DATA;',
      ...this.lines,
      'ENDSEC;',
      'END-ISO-10303-21;',
      '',
    ].join('\n');
  }
}

const SIGNS = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$';

/** A global id of 22 signs (ISO 16739, IfcGloballyUniqueId), the same for the same words: what is sent again replaces what was there. */
export function globalId(words: string): string {
  const bits = [0x811c9dc5, 0x1b873593, 0x9e3779b9, 0x85ebca6b].map((seed) => {
    let h = seed >>> 0;
    for (let i = 0; i < words.length; i += 1) h = Math.imul(h ^ words.charCodeAt(i), 0x01000193) >>> 0;
    h = Math.imul(h ^ (h >>> 16), 0x85ebca6b) >>> 0;
    h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35) >>> 0;
    return (h ^ (h >>> 16)) >>> 0;
  });
  const binary = bits.map((b) => b.toString(2).padStart(32, '0')).join('');
  // The first sign stands for two bits, the other 21 for six each.
  const groups = [binary.slice(0, 2), ...(binary.slice(2).match(/.{6}/g) ?? [])];
  return groups.map((g) => SIGNS[parseInt(g, 2)]).join('');
}
