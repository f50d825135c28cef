import { silent } from '../../../calc/calc';
import type { BendingSection, DesignCode } from '../../../codes/design-code';
import type { DeflectionStage, StiffnessQuestion } from '../../../codes/service-rules';
import { grossProperties } from '../../../geometry/beam-outline';
import type { SectionStiffness } from '../../../section/mean-curvature';
import { sectionWith } from '../section-at';
import type { SteelAlong } from '../steel';
import type { Grid } from './service-moments';
import { compressionFace, tensionFace, type Sense } from '../sense';
import { dryingOf, type PreparedBeam, outlineOf } from '../prepared';

/** Stiffness of a beam's sections in service, worked out once for each different section, sense and age. */
export class StiffnessMap {
  private readonly sections = new Map<number, BendingSection>();
  private readonly known: Record<DeflectionStage['age'], Map<number, SectionStiffness>> = {
    immediate: new Map(),
    partitions: new Map(),
    end: new Map(),
  };
  /** The same for each step, so that nothing is looked up twice. */
  private readonly bySteps: Record<DeflectionStage['age'], Record<Sense, SectionStiffness[]>> = {
    immediate: { sagging: [], hogging: [] },
    partitions: { sagging: [], hogging: [] },
    end: { sagging: [], hogging: [] },
  };
  /** The bars in the middle of each step, as a number. */
  private readonly steps: Float64Array;
  constructor(
    readonly beam: PreparedBeam,
    readonly code: DesignCode,
    readonly map: SteelAlong,
    private readonly grid: Grid,
  ) {
    this.steps = Float64Array.from(grid.x, (x, i) => this.barsKey(grid.span[i]!, x));
  }

  /** Equal bars in both faces have equal keys; those of hogging are the odd ones. */
  private barsKey(span: number, x: number): number {
    return 2 * (this.map.barsAt('bottom', span, x).key * 65_536 + this.map.barsAt('top', span, x).key);
  }

  private keyAt(span: number, x: number, sense: Sense): number {
    return this.barsKey(span, x) + (sense === 'hogging' ? 1 : 0);
  }

  sectionAt(span: number, x: number, sense: Sense): BendingSection {
    const key = this.keyAt(span, x, sense);
    let section = this.sections.get(key);
    if (!section) {
      const tension = this.map.barsAt(tensionFace(sense), span, x);
      const compression = this.map.barsAt(compressionFace(sense), span, x);
      this.sections.set(key, (section = sectionWith(this.beam, this.map, span, sense, tension, compression)));
    }
    return section;
  }

  question(span: number, x: number, sense: Sense, age: DeflectionStage['age']): StiffnessQuestion {
    const outline = outlineOf(this.beam, span);
    const { area, centroid, inertia } = grossProperties(outline);
    return {
      section: this.sectionAt(span, x, sense),
      materials: this.beam.materials,
      area,
      perimeter: dryingOf(this.beam, span),
      inertia,
      toTensionFace: sense === 'sagging' ? centroid : outline.h - centroid,
      age,
      partitionAge: this.beam.service.partitionAge,
    };
  }

  /** In the middle of a step. */
  at(step: number, sense: Sense, age: DeflectionStage['age']): SectionStiffness {
    const list = this.bySteps[age][sense];
    return (list[step] ??= this.find(step, sense, age));
  }

  private find(step: number, sense: Sense, age: DeflectionStage['age']): SectionStiffness {
    const key = this.steps[step]! + (sense === 'hogging' ? 1 : 0);
    let made = this.known[age].get(key);
    if (!made) {
      const { span, x } = this.grid;
      made = this.code.service.stiffness(silent, this.question(span[step]!, x[step]!, sense, age));
      this.known[age].set(key, made);
    }
    return made;
  }
}
