package kite.server.render;

import java.io.IOException;
import java.util.UUID;
import kite.server.output.OutputStore;
import kite.server.sequence.SequenceRemoved;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;

/** Takes the pictures of renders away whose sequence is gone for good. */
@Component
class RemovedRenders {
  private static final Logger LOG = LoggerFactory.getLogger(RemovedRenders.class);
  private final OutputStore output;

  RemovedRenders(OutputStore output) {
    this.output = output;
  }

  @TransactionalEventListener
  public void removed(SequenceRemoved gone) {
    for (UUID job : gone.renders())
      try {
        output.removeAll(job);
      } catch (IOException e) {
        LOG.warn("The pictures of render {} could not be taken away", job, e);
      }
  }
}
