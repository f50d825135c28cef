import type { Start } from '../kind';
import { usualCases } from '../parts/usual-cases';
import type { BeamMember } from './input';

/** A beam of one span with sensible defaults of the project's code, or a section whose forces are known. */
const start = (mode: BeamMember['mode'], title: string, id: string): Start => ({
  id,
  title,
  ...(mode === 'forces' ? { verb: 'check' } : {}),
  mark: 'B',
  fields: ({ display, code }) => {
    const isUS = display === 'US';
    const { cases, dead, live } = usualCases({ code });
    return {
      mode,
      title: 'Beam',
      section: isUS ? { b: '12 in', h: '26 in' } : { b: 300, h: 500 },
      cover: isUS ? { top: '1.5 in', bottom: '1.5 in', side: '1.5 in' } : {},
      spans: [{ length: isUS ? '20 ft' : 6000 }],
      supports: [{ width: isUS ? '12 in' : 300 }, { width: isUS ? '12 in' : 300 }],
      cases,
      loads: [
        { type: 'uniform', case: dead, value: isUS ? '0.5 kip/ft' : 10 },
        { type: 'uniform', case: live, value: isUS ? '0.4 kip/ft' : 10 },
      ],
      forces: [{ place: 'midspan', moment: isUS ? '120 kip-ft' : 150, shear: isUS ? '20 kip' : 90 }],
    };
  },
});

export const beamStarts = [start('loads', 'beam', 'beam'), start('forces', 'section with known forces', 'forces')];
