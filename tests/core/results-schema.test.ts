import Ajv from 'ajv';
import { readFileSync } from 'node:fs';
import { GET } from '@/app/api/design/route';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { openApi } from '@/exchange/schemas/openapi';
import { faultsSchema, resultsSchema } from '@/exchange/schemas/results-schema';
import { resultsToJson } from '@/exchange/result-json';

const ajv = new Ajv({ allErrors: true, allowUnionTypes: true });
const isResults = ajv.compile(resultsSchema);

const answers = (name: string) => {
  const read = readProject(JSON.parse(readFileSync(`examples/${name}.intarsia`, 'utf8')));
  if (!read.ok) throw new Error('demo');
  const results = read.project.members.map((member) => ({ member, result: designNow(read.project, member, 'all') }));
  return JSON.parse(JSON.stringify(resultsToJson(read.project, results))) as Record<string, unknown> & {
    members: Record<string, unknown>[];
  };
};

test.each(['alderlight-playhouse', 'alderlight-annex-us', 'alderlight-ferry-house'])('all results of %s are as the schema says', (name) => {
  const json = answers(name);
  expect([isResults(json), isResults.errors]).toEqual([true, null]);
  expect(json.members.length).toBeGreaterThan(3);
});

test('the schema is no rubber stamp: what is missing, of another type or unknown is found', () => {
  const json = answers('alderlight-annex-us');
  const [member] = json.members;
  for (const wrong of [
    { ...json, version: 2 },
    { ...json, extra: 1 },
    { ...json, members: [{ ...member, checks: undefined }] },
    { ...json, members: [{ ...member, utilisation: '0.9' }] },
    { ...json, members: [{ ...member, checks: [{ ...(member!.checks as object[])[0], status: 'fine' }] }] },
  ])
    expect(isResults(JSON.parse(JSON.stringify(wrong)))).toBe(false);
});

test('a member with faults is as the schema says, and so is the answer to a file with faults', () => {
  const read = readProject({ format: 'intarsia', version: 1, members: [{ mark: 'B1', section: { h: -1 } }] });
  if (read.ok) {
    const [member] = read.project.members;
    const json = JSON.parse(
      JSON.stringify(resultsToJson(read.project, [{ member: member!, result: designNow(read.project, member!) }])),
    ) as object;
    expect([isResults(json), isResults.errors]).toEqual([true, null]);
  }
  expect(ajv.validate(faultsSchema, { format: 'intarsia-faults', faults: [{ path: 'members[0]', reason: 'x' }] })).toBe(true);
});

test('the description of the server is what it answers, and refers to nothing that is not in it', async () => {
  expect(await GET().json()).toEqual(JSON.parse(JSON.stringify(openApi)));
  const refs = [...JSON.stringify(openApi).matchAll(/#\/components\/schemas\/(\w+)/g)].map((m) => m[1]!);
  expect(refs.length).toBeGreaterThan(3);
  for (const ref of refs) expect(Object.keys(openApi.components.schemas)).toContain(ref);
});
