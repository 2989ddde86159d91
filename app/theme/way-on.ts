/** The sign-in, and after it the address that was asked for. */
export const signInFor = (to: string) => ({ pathname: '/sign-in', params: to === '/' ? {} : { to } }) as const;

/** Where the sign-in leads: to an address of ours, else to the list. */
export const wayOn = (to: unknown): `/${string}` =>
  typeof to === 'string' && /^\/(?![/\\]|sign-in)/.test(to) ? (to as `/${string}`) : '/';
