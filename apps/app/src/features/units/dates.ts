/** The language and country by which days and times are written. */
export const LOCALE = 'en-GB';

type When = string | number | Date;
const said = (at: When, how: Intl.DateTimeFormatOptions): string => new Date(at).toLocaleString(LOCALE, how);

/** Time of day: 14:05. */
export const clockText = (at: When): string => said(at, { hour: '2-digit', minute: '2-digit' });
/** Day of this year: 3 Mar. */
export const shortDay = (at: When): string => said(at, { day: 'numeric', month: 'short' });
/** Day and year: 3 Mar 2026. */
export const dayAndYear = (at: When): string => said(at, { day: 'numeric', month: 'short', year: 'numeric' });
/** A day as a customer reads it: 3 March 2026. */
export const longDay = (at: When): string => said(at, { day: 'numeric', month: 'long', year: 'numeric' });
/** Tuesday. */
export const weekday = (at: When): string => said(at, { weekday: 'long' });
/** Tuesday 3 Mar. */
export const weekdayAndDay = (at: When): string => said(at, { weekday: 'long', day: 'numeric', month: 'short' });
/** Mar 2026. */
export const monthAndYear = (at: When): string => said(at, { month: 'short', year: 'numeric' });
