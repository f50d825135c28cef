import { POST } from '@/app/api/design/route';

const post = (body: string, query = '', headers: Record<string, string> = {}) =>
  POST(new Request(`http://localhost/api/design${query}`, { method: 'POST', body, headers }));
const least = '{"format":"intarsia","version":1,"members":[{"mark":"B1"}]}';

test('answers with the results of the command line', async () => {
  const answer = await post(least);
  expect(answer.status).toBe(200);
  const json = await answer.json();
  expect(json).toMatchObject({ format: 'intarsia-results', version: 1, inputUnits: { length: 'mm' } });
  expect(json.members[0].checks.some((c: { derivation?: unknown[] }) => (c.derivation?.length ?? 0) > 0)).toBe(true);
});
test('without derivations when they are not wanted', async () => {
  const json = await (await post(least, '?derive=none')).json();
  expect(json.members[0].checks.every((c: { derivation?: unknown[] }) => c.derivation === undefined)).toBe(true);
});
test.each([
  ['', 'empty'],
  ['nonsense', 'damaged'],
  ['{"format":"intarsia","version":1,"members":[{"cover":{"top":"thick"}}]}', '"thick" is not a number.'],
])('%s is refused with its faults', async (body, reason) => {
  const answer = await post(body);
  expect(answer.status).toBe(422);
  const json = await answer.json();
  expect(json.format).toBe('intarsia-faults');
  expect(json.faults[0].reason).toContain(reason);
});
test('too large is refused, whatever the headers say', async () => {
  expect((await post('x'.repeat(5_000_001))).status).toBe(413);
  expect((await post(least, '', { 'content-length': '9000000' })).status).toBe(413);
});
test('a member with faults is answered with them, the others are designed', async () => {
  const json = await (
    await post('{"format":"intarsia","version":1,"members":[{"mark":"B1","section":{"h":-4}},{"mark":"B2"}]}', '?derive=none')
  ).json();
  expect(json.members[0].faults[0].path).toBe('section.h');
  expect(json.members[1].governing).not.toBeNull();
});

describe('who may ask', () => {
  const from = (headers: Record<string, string>) => post('{"format":"intarsia","version":1,"members":[]}', '', headers);

  it('programs without an origin, and the page itself', async () => {
    expect((await from({})).status).toBe(200);
    expect((await from({ origin: 'http://localhost', host: 'localhost' })).status).toBe(200);
  });

  it('no page of another origin, nor one without any', async () => {
    for (const origin of ['http://example.invalid', 'null', 'http://localhost:81']) {
      const answer = await from({ origin, host: 'localhost' });
      expect(answer.status).toBe(403);
      expect(await answer.json()).toMatchObject({ faults: [{ reason: expect.stringContaining('other origins') as string }] });
    }
  });
});
