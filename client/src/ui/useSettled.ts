import { useEffect, useState } from 'react';

/** A value once it has stood still for a while: what is typed is not asked about letter by letter. */
export function useSettled<T>(value: T, milliseconds: number): T {
  const [settled, setSettled] = useState(value);
  const written = JSON.stringify(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(JSON.parse(written) as T), milliseconds);
    return () => clearTimeout(timer);
  }, [written, milliseconds]);
  return settled;
}
