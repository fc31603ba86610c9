export { CLAIMS, claimsOf, SUMS, verifyParcel, writeClaims, type Claim, type Verdict } from './claims';
export type { ParcelFile } from './kinds/kind';
