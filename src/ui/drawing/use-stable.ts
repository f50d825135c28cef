import { useCallback, useEffect, useRef } from 'react';

/** A function that stays the same object while what it does follows the latest drawing: parts that are given it need not be drawn anew. */
export function useStable<A extends unknown[], R>(run: (...args: A) => R): (...args: A) => R {
  const latest = useRef(run);
  useEffect(() => {
    latest.current = run;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
