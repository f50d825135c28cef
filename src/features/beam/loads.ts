import type { BeamLoad, BeamLoadType } from '@/core/members/beam/input';
import type { PastedWords } from '@/exchange/paste-loads';
import type { LoadTable } from '@/ui/tables/LoadsTable';

/** A load of another type at the same place. */
function retyped(load: BeamLoad, type: BeamLoadType, length: number): BeamLoad {
  const base = { case: load.case, note: load.note };
  const span = load.span === 'all' ? 0 : load.span;
  const value = 'value' in load ? load.value : 10;
  switch (type) {
    case 'uniform':
      return { ...base, type, span: load.span, value };
    case 'partial':
      return { ...base, type, span, value, from: 0, to: length };
    case 'trapezoidal':
      return { ...base, type, span, start: value, end: 0, from: 0, to: length };
    case 'point':
      return { ...base, type, span, force: 50_000, at: length / 2 };
    case 'moment':
      return { ...base, type, span, moment: 20e6, at: length / 2 };
    case 'torque':
      return { ...base, type, span: load.span, value: 5000 };
    case 'pointTorque':
      return { ...base, type, span, torque: 10e6, at: length / 2 };
  }
}

const stretch = { from: 'span', to: 'span' } as const;

export const beamWords: PastedWords = {
  help: 'case · type (uniform, partial, trapezoidal, point, moment, torque, point torque) · span (number or all) · value or values · position or from, to',
  types: {
    uniform: { type: 'uniform', values: { value: 'lineLoad' }, liesOnAll: true },
    partial: { type: 'partial', values: { value: 'lineLoad', ...stretch } },
    trapezoidal: { type: 'trapezoidal', values: { start: 'lineLoad', end: 'lineLoad', ...stretch } },
    point: { type: 'point', values: { force: 'force', at: 'span' } },
    moment: { type: 'moment', values: { moment: 'moment', at: 'span' } },
    torque: { type: 'torque', values: { value: 'lineTorque' }, liesOnAll: true },
    pointTorque: { type: 'pointTorque', values: { torque: 'moment', at: 'span' } },
  },
  onAll: 'a uniform load',
};

/** The loads of a beam as a table. */
export const beamLoads: LoadTable<BeamLoad> = {
  title: 'Loads',
  types: {
    uniform: 'uniform',
    partial: 'partial',
    trapezoidal: 'trapezoidal',
    point: 'point',
    moment: 'moment',
    torque: 'torque, uniform',
    pointTorque: 'torque, at a point',
  },
  retyped,
  liesOnAll: ({ type }) => type === 'uniform' || type === 'torque',
  values: {
    Value: {
      value: ({ type }) => (type === 'torque' ? 'lineTorque' : 'lineLoad'),
      start: 'lineLoad',
      force: 'force',
      moment: 'moment',
      torque: 'moment',
    },
    'To value': { end: 'lineLoad' },
    'From or at': { from: 'span', at: 'span' },
    To: { to: 'span' },
  },
  fresh: (id) => ({ type: 'uniform', case: id, span: 'all', value: 10, note: '' }),
  paste: beamWords,
};
