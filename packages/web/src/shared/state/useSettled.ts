import { useEffect, useState } from 'react';

/** What a value was once it had stayed the same for a while: what is typed or moved quickly is asked about once. */
export function useSettled<Value>(value: Value, milliseconds: number): Value {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return settled;
}
