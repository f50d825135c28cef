import { execSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Words that the trade has others for; docs/terms.md says which. As they would stand in what is shown. */
const NOT_CALLED = [
  /\b[Ll]east steel\b/,
  /\b[Mm]ost steel\b/,
  /'Struts[ ,']|`Struts[ ,]/,
  /\bheld a little\b/,
  /\ball at once\b/,
  /\bHold of\b/,
  /\b[Aa]bsent from single spans\b/,
  /\bMoment kept\b/,
  /\b[Ss]hear while the ends yield\b/,
  /\bleast moment\b/,
  /\bRules, kept\b/,
  /\bNot to be opened\b/,
  />\s*Leave( it)?\s*</,
  /\b\d+ decided\b|\$\{[^}]*\} decided\b/,
];

const isComment = (line: string) => /^\s*(\/\/|\*|\/\*)/.test(line);

test('words that are no longer used do not stand in what is shown', () => {
  const files = execSync('git ls-files src', { encoding: 'utf8' })
    .split('\n')
    .filter((f) => /\.tsx?$/.test(f));
  expect(files.length).toBeGreaterThan(300);
  const found = files.flatMap((file) =>
    readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((line, i) => (!isComment(line) && NOT_CALLED.some((word) => word.test(line)) ? [`${file}:${i + 1}: ${line.trim()}`] : [])),
  );
  expect(found).toEqual([]);
});

test('the list of terms names them', () => {
  const terms = readFileSync('docs/terms.md', 'utf8');
  for (const word of [
    'least steel',
    'struts',
    'held a little',
    'all at once',
    'hold',
    'moment kept',
    'rules, kept',
    'decided',
    'leave',
    'use',
  ])
    expect(terms).toContain(`| ${word}`.slice(2));
});
