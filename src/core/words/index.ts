export { say, formatOf, plainFacts, type Facts, type MessageId } from './say';
export {
  dateLocale,
  firstSpoken,
  inList,
  inNumbers,
  isLanguage,
  onLanguage,
  speak,
  SPOKEN,
  spokenLanguage,
  withinASentence,
  type Language,
} from './language';
