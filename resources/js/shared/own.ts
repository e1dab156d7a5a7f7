/** Who is signed in here, or was last: what one technician typed in this browser is never another's. */
let who = ''

export function setWho(signIn: string | undefined): void {
  who = signIn ?? who
}

/** The name under which something of whoever is signed in is kept in this browser. */
export const own = (what: string): string => `${what} by ${who}`
