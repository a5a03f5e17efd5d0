import { type Net, type Point } from './sheet';

/** Is what a point should read no more than a guess, by its own source or else by that of its net? */
export const isGuess = (point: Pick<Point, 'source'> | undefined, net: Pick<Net, 'source'> | undefined): boolean =>
  (point?.source ?? net?.source) === 'guess';
