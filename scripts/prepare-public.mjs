// Copies what the pages fetch into public/, which git ignores: whole TrueType fonts for the PDF, and the demo projects.
import { cpSync, mkdirSync } from 'node:fs';

mkdirSync('public/fonts', { recursive: true });
for (const style of ['Regular', 'Medium', 'Italic'])
  cpSync(`node_modules/pdfmake/build/fonts/Roboto/Roboto-${style}.ttf`, `public/fonts/Roboto-${style}.ttf`);
cpSync('examples', 'public/examples', { recursive: true });
