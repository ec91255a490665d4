package kite.server.account;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.transaction.support.TransactionOperations;

/** How sessions are kept in the database. */
@Configuration
class Sessions {
  /**
   * Every request notes when a session was last used; that need not wait for the disk. A crash may
   * forget the note, never the edit that came with it.
   */
  @Bean
  SessionRepositoryCustomizer<JdbcIndexedSessionRepository> unhurried() {
    return sessions ->
        sessions.setUpdateSessionQuery(
            """
            update %TABLE_NAME%
            set session_id = ?, last_access_time = ?, max_inactive_interval = ?, expiry_time = ?,
              principal_name = ?
            where primary_id = ? and set_config('synchronous_commit', 'off', true) = 'off'
            """);
  }

  /**
   * Each statement about a session stands for itself: nobody knows a session before its last one is
   * done, and every request has two of them.
   */
  @Bean("springSessionTransactionOperations")
  TransactionOperations alone() {
    return TransactionOperations.withoutTransaction();
  }
}
