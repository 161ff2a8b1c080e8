/**
 * Bytes of the arrays of figures in values, each array once; what is beside them in plain objects, lists and maps is counted at a usual size. Values
 * are read through, getters too, so give those alone whose figures are there. Cost: objects.
 */
export function bytesOfArrays(...values: readonly unknown[]): number {
  const seen = new Set<object>();
  const waiting: unknown[] = [...values];
  let bytes = 0;
  while (waiting.length > 0) {
    const one = waiting.pop();
    if (typeof one !== 'object' || one === null || seen.has(one)) continue;
    seen.add(one);
    if (ArrayBuffer.isView(one)) {
      bytes += one.byteLength;
      continue;
    }
    bytes += usualObject;
    if (one instanceof Map || one instanceof Set || Array.isArray(one)) for (const held of one.values()) waiting.push(held);
    else for (const held of Object.values(one)) waiting.push(held);
  }
  return bytes;
}

const usualObject = 80;
