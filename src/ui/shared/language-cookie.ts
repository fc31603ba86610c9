/** Where the chosen language is kept: the server has to know it as well, to send no page in another language first. */
export const LANGUAGE_COOKIE = 'dragoman-language';
