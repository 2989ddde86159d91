import connectPgSimple from 'connect-pg-simple';
import type { SessionData } from 'express-session';
import session from 'express-session';
import type { Pool } from 'pg';

const PgStore = connectPgSimple(session);

/**
 * Sessions in the database. A request that is still under way when its session ends would write it back with its own last words, and
 * whoever signed out would be signed in: only one that has just begun makes a row, every other only changes the one that is there.
 */
export class SessionStore extends PgStore {
  private readonly begun = new Set<string>();
  private readonly pool: Pool;

  constructor(options: { readonly pool: Pool; readonly tableName: string; readonly disableTouch: boolean; readonly errorLog: () => void }) {
    super(options);
    this.pool = options.pool;
  } // prettier-ignore

  /** A session begins: its row is made when its request ends. */
  begin(sid: string): void {
    this.begun.add(sid);
  }

  override set(sid: string, sess: SessionData, done: (error?: unknown) => void = () => undefined): void {
    if (this.begun.delete(sid)) return super.set(sid, sess, done);
    const expire = sess.cookie.expires ?? new Date(Date.now() + (sess.cookie.originalMaxAge ?? 0));
    this.pool
      .query('update session set sess = $1, expire = $2 where sid = $3', [JSON.stringify(sess), new Date(expire), sid])
      .then(
        () => done(),
        (error: unknown) => done(error),
      );
  }
}
