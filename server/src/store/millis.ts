/** Instants are stored as Unix milliseconds: exact, and the same in every time zone. */
export const millis = {
  type: 'bigint',
  unsigned: true,
  transformer: {
    to: (value?: number | null) => value,
    from: (value: string | null) => (value === null ? undefined : Number(value)),
  },
} as const;
