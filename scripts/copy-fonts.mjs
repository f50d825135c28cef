// Copies the whole TrueType fonts that the PDF writer embeds into public/fonts, which git ignores.
import { copyFileSync, existsSync, mkdirSync } from 'node:fs';

const from = 'node_modules/@ibm/plex-sans-condensed/fonts/complete/ttf';
const to = 'public/fonts';
mkdirSync(to, { recursive: true });
for (const style of ['Regular', 'SemiBold', 'Italic']) {
  const file = `IBMPlexSansCondensed-${style}.ttf`;
  if (!existsSync(`${to}/${file}`)) copyFileSync(`${from}/${file}`, `${to}/${file}`);
}
