export { FilmSchema, film, filmM, jugAreaM2, wettedM2, type Film } from './film.js';
