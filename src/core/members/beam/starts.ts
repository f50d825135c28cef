import type { Start } from '../kind';
import { usualCases } from '../parts/usual-cases';
import type { BeamMember } from './input';

/** A beam of one span with sensible defaults of the project's code, or with forces along it, or a section, whose forces are known. */
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
      stationSets: [{ name: 'U1' }],
      stations: isUS ? stationsUS : stationsSI,
    };
  },
});

/** Forces in equilibrium: 30 kN/m on 6 m, M = 30 x 6²/8 = 135 kNm, V = 90 kN; 1.5 kip/ft on 20 ft, 75 kip-ft and 15 kip. */
const stationsSI = [
  { set: 'U1', span: 0, at: 0, moment: 0, shear: 90 },
  { set: 'U1', span: 0, at: 3000, moment: 135, shear: 0 },
  { set: 'U1', span: 0, at: 6000, moment: 0, shear: -90 },
];
const stationsUS = [
  { set: 'U1', span: 0, at: 0, moment: 0, shear: '15 kip' },
  { set: 'U1', span: 0, at: '10 ft', moment: '75 kip-ft', shear: 0 },
  { set: 'U1', span: 0, at: '20 ft', moment: 0, shear: '-15 kip' },
];

export const beamStarts = [
  start('loads', 'beam', 'beam'),
  start('stations', 'beam with known forces along it', 'stations'),
  start('forces', 'section with known forces', 'forces'),
];
