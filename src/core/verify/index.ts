export { CLAIMS, claimsOf, filesOfZip, SUMS, verifyParcel, writeClaims, type Claim, type Verdict } from './claims';
export type { ParcelFile } from './kinds/kind';
