import { FORMAT_VERSION } from './project';

type RawProject = Record<string, unknown>;

/** One step for each old version: takes a file of that version to the next. Version 1 is the first. */
const steps: Readonly<Record<number, (raw: RawProject) => RawProject>> = {};

/** Brings a file of an older version up to date. */
export function migrate(raw: RawProject): RawProject {
  let current = raw;
  for (let version = Number(raw.version); version < FORMAT_VERSION; version += 1) {
    const step = steps[version];
    if (step) current = { ...step(current), version: version + 1 };
  }
  return current;
}
