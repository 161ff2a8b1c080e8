/** The days that figures are asked for, and those they are compared with. */
export type SpanParams = {
  from: string;
  to: string;
  compare: string;
  compareFrom?: string | undefined;
  compareTo?: string | undefined;
  adjusting?: 'before' | undefined;
};
