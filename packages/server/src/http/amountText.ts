/** Minor units as they stand in JSON: beyond what its numbers can hold. */
export const text = (amount: bigint): string => amount.toString();

export const textOrNull = (amount: bigint | null): string | null => (amount === null ? null : text(amount));
