/** Who may come in, and what they may do: artists edit, reviewers look. */
package kite.server.account;
