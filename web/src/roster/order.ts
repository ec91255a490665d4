import { createContext } from 'react';

/** The ids of the roster's rows in the order in which they stand, for choosing a range of them. */
export const Order = createContext<() => string[]>(() => []);

/** Makes more rows. */
export const More = createContext<() => void>(() => {});
