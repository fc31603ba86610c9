export { writeMei, type MeiOptions } from './write';
