package kite.server.home;

import org.springframework.data.jpa.repository.JpaRepository;

interface Favourites extends JpaRepository<Favourite, Favourite.Key> {}
