/** How the studio's copy of Jolly Kite is doing: room, work in hand, health, backups. */
package kite.server.studio;
