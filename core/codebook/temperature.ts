/** Whole °C of a temperature in °F: C = (F − 32) × 5 ÷ 9. */
export const fahrenheitToC = (fahrenheit: number): number => Math.round(((fahrenheit - 32) * 5) / 9);

/** Whole °F of a temperature in °C: F = C × 9 ÷ 5 + 32. */
export const celsiusToF = (celsius: number): number => Math.round((celsius * 9) / 5 + 32);
