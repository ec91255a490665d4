package kite.server.render;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import kite.server.output.OutputStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Makes the film of a render all of whose frames are there, and ends it. */
@Service
class FilmWorker {
  private static final Logger LOG = LoggerFactory.getLogger(FilmWorker.class);

  private final RenderJobs jobs;
  private final OutputStore output;
  private final Film film;
  private final Ending ending;

  FilmWorker(RenderJobs jobs, OutputStore output, Film film, Ending ending) {
    this.jobs = jobs;
    this.output = output;
    this.film = film;
    this.ending = ending;
  }

  /**
   * @throws InterruptedException when the worker ends: another takes it then
   */
  void make(UUID id) throws InterruptedException {
    RenderJob job = jobs.findById(id).orElse(null);
    if (job == null || !job.state.underWay()) return;
    try {
      if (job.framesTotal > 1) {
        List<String> pictures =
            IntStream.rangeClosed(1, job.framesTotal).mapToObj(FrameFiles::picture).toList();
        long gone = gone(id, pictures);
        if (gone > 0) {
          ending.failed(
              id,
              gone
                  + " of its pictures are not in the output folder any more. Resume makes them again.");
          return;
        }
        film.ofPictures(id, pictures, Film.About.of(job), SlateFrame.front(job));
      }
      ending.done(id);
    } catch (IOException | RuntimeException e) {
      LOG.warn("The film of render {} failed", id, e);
      ending.failed(
          id,
          "The film could not be made: "
              + Film.why(e)
              + " The frames are kept. Resume makes the film.");
    }
  }

  private long gone(UUID id, List<String> pictures) throws IOException {
    Set<String> there = output.names(id);
    return pictures.stream().filter(p -> !there.contains(p)).count();
  }
}
