/**
 * The engine that work is done by (db-scheduler), on this machine and on others. What is done
 * stands elsewhere.
 */
package kite.server.queue;
