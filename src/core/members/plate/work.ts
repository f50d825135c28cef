import type { Work } from '../work';
import { barPlans } from './bar-plans';
import { choicesTried, proposePlate } from './changes';
import { designPlate } from './design-plate';
import { columnBelow } from './given-columns';
import { placeAt } from './given-places';
import type { PlateMember } from './input';
import type { PlateResult } from './result';

export const plateWork: Work<PlateMember, PlateResult> = {
  type: 'plate',
  design: designPlate,
  propose: (plate, search, { code, rates, project }) =>
    search === 'choices'
      ? choicesTried(plate, code, rates, project.display)
      : search === 'bars'
        ? barPlans(plate, code, rates, project)
        : proposePlate(plate, code, rates),
  gives: (plate, { part, as }, code) => (as === 'below' ? columnBelow(plate, part, code) : placeAt(plate, part, code)),
};
