package kite.server.render;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.IntStream;
import kite.core.document.OrNull;
import kite.exchange.archive.SummedZip;
import kite.server.output.OutputStore;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;

/** The newest finished version of everything that was made of a sequence. */
@Service
public class NewestPictures {
  private static final int MOST_JOBS = 1000;

  private final RenderJobs jobs;
  private final OutputStore output;
  private final HandedFiles handed;

  NewestPictures(RenderJobs jobs, OutputStore output, HandedFiles handed) {
    this.handed = handed;
    this.jobs = jobs;
    this.output = output;
  }

  /**
   * What was made.
   *
   * @param folder a name for it that no other has, with its version
   * @param shot the code of the shot that it is of; null where it is of several, or of a frame
   */
  public record Made(UUID job, String folder, @OrNull String shot) {}

  /**
   * @param codes of the shots that they are of, and of no others; all there is where it is empty
   */
  public List<Made> of(UUID sequence, Set<String> codes) {
    Map<String, RenderJobs.Listed> newest = new LinkedHashMap<>();
    for (RenderJobs.Listed j : jobs.list(sequence, Limit.of(MOST_JOBS)))
      if (j.state() == RenderJob.State.DONE)
        newest.merge(j.kind() + j.label(), j, (a, b) -> a.numbered() > b.numbered() ? a : b);
    List<Made> all = new ArrayList<>();
    for (RenderJobs.Listed j : newest.values()) {
      Set<String> of = new HashSet<>();
      for (Shot s : Shot.read(jobs.shotsOf(j.id()))) of.add(s.code());
      if (!codes.isEmpty() && !codes.containsAll(of)) continue;
      String kind = j.kind() == RenderJob.Kind.PREVIEW ? "_preview" : "";
      String name = j.label().replaceAll("[^A-Za-z0-9_-]+", "-") + kind + "_v" + j.numbered();
      all.add(new Made(j.id(), name, of.size() == 1 ? of.iterator().next() : null));
    }
    return all;
  }

  /** Takes a file of a render. */
  public interface Taking {
    void take(String name, boolean film, SummedZip.Content content) throws IOException;
  }

  /** Pictures in the form they are handed on in, by their names, and the film. */
  public void each(UUID job, Taking to) throws IOException {
    RenderJob of = jobs.findById(job).orElseThrow();
    TreeSet<String> there = new TreeSet<>(output.names(job));
    Kept.Form form = Kept.read(of.kept).form();
    List<Integer> numbers =
        IntStream.rangeClosed(1, of.framesTotal)
            .filter(n -> there.contains(FrameFiles.delivered(n, form)))
            .boxed()
            .toList();
    handed.each(of, form, numbers, (name, content) -> to.take(name, false, content));
    if (there.contains(Film.NAME))
      to.take(Film.NAME, true, out -> handed.copy(job, Film.NAME, out));
  }
}
