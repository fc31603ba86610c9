export { append, highest, lowest } from './lists';
