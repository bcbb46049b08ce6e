import { useEffect, useState } from 'react';
import { carefulSteps, type CarefulCourse, type Scenario } from '../../../core/practice';

/** The careful course of a scenario, lived evening by evening so that the page stays free. Undefined while it is, or is not wanted. */
export function useCareful(scenario: Scenario, seed: number, wanted: boolean): CarefulCourse | undefined {
  const [course, setCourse] = useState<CarefulCourse | undefined>(undefined);
  useEffect(() => {
    setCourse(undefined);
    if (!wanted) return;
    const steps = carefulSteps(scenario, seed);
    let timer = setTimeout(function on() {
      const step = steps.next();
      if (step.done) setCourse(step.value);
      else timer = setTimeout(on, 0);
    }, 0);
    return () => clearTimeout(timer);
  }, [scenario, seed, wanted]);
  return course;
}
