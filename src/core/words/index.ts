export { say, formatOf, plainFacts, type Facts, type MessageId } from './say';
