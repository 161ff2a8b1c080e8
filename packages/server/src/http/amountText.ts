/** Minor units as they stand in JSON: beyond what its numbers can hold. */
export const text = (amount: bigint): string => amount.toString();
