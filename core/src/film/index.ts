export { FilmSchema, film, jugAreaM2, wettedM2, type Film } from './film.js';
