/** The one platform class the core uses; browsers, workers and Node.js all have it (WHATWG Encoding). */
declare class TextEncoder {
  encode(text: string): Uint8Array;
}
