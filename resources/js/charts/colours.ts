/** Of curves, apart in lightness too, so that they stay apart for who sees no red or no green; each has a dash of its own besides. */
export const seriesColours = ['#8a5300', '#2f6690', '#b5493a', '#5f8a4e', '#7a5195'] as const;
