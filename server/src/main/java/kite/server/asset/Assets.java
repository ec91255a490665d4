package kite.server.asset;

import org.springframework.data.jpa.repository.JpaRepository;

interface Assets extends JpaRepository<AssetRow, String> {}
