/** What the Home page shows of sequences beside their names: pictures, and what one likes best. */
package kite.server.home;
