package kite.server.render;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import kite.core.document.FileNames;
import kite.exchange.archive.SummedZip;
import kite.exchange.picture.ExrParts;
import kite.exchange.picture.ExrReader;
import kite.server.output.OutputStore;
import org.springframework.core.io.Resource;
import org.springframework.stereotype.Component;

/**
 * The frames of a render as they are handed on: by the names that were chosen, and a pass a file
 * where these say so. They are kept with all their passes in one.
 */
@Component
class HandedFiles {
  private final OutputStore output;

  HandedFiles(OutputStore output) {
    this.output = output;
  }

  /** Takes files, one after the other. */
  interface Taking {
    void take(String name, SummedZip.Content content) throws IOException;
  }

  /**
   * @param form the form they were asked for in, or that of the pictures that are looked at
   * @param numbers of finished frames
   */
  void each(RenderJob job, Kept.Form form, Iterable<Integer> numbers, Taking to)
      throws IOException {
    Map<Integer, FrameNames.Frame> names = FrameNames.of(job);
    FileNames by = form.isExr() && isParted(job) ? FrameNames.read(job.names).by() : null;
    for (int number : numbers) {
      String file = FrameFiles.delivered(number, form);
      FrameNames.Frame frame = names.get(number);
      if (by != null) parts(job.id, file, by, frame, to);
      else
        to.take(
            frame == null ? file : frame.of(FramePart.WHOLE) + ending(form),
            out -> copy(job.id, file, out));
    }
  }

  /** Whether a frame is handed on in several files. */
  static boolean isParted(RenderJob job) {
    return job.names != null && FrameNames.read(job.names).isParted(job);
  }

  private static String ending(Kept.Form form) {
    return "." + form.ending;
  }

  private void parts(UUID job, String file, FileNames by, FrameNames.Frame frame, Taking to)
      throws IOException {
    Set<FramePart> parts = new LinkedHashSet<>();
    for (String channel : ExrReader.channels(bytes(job, file)))
      parts.add(FramePart.ofLayer(ExrParts.layerOf(channel)).by(by));
    OneFrame one = new OneFrame(job, file, by);
    for (FramePart p : parts)
      to.take(frame.of(p) + ending(Kept.Form.EXR), out -> out.write(one.part(p)));
  }

  /** A frame in parts, made when the first of them is written. */
  private final class OneFrame {
    private final UUID job;
    private final String file;
    private final FileNames by;
    private Map<FramePart, byte[]> parts;

    OneFrame(UUID job, String file, FileNames by) {
      this.job = job;
      this.file = file;
      this.by = by;
    }

    byte[] part(FramePart p) throws IOException {
      if (parts == null)
        parts = ExrParts.of(bytes(job, file), layer -> FramePart.ofLayer(layer).by(by));
      return parts.get(p);
    }
  }

  private byte[] bytes(UUID job, String file) throws IOException {
    return there(job, file).getContentAsByteArray();
  }

  void copy(UUID job, String file, OutputStream to) throws IOException {
    try (InputStream in = there(job, file).getInputStream()) {
      in.transferTo(to);
    }
  }

  private Resource there(UUID job, String file) throws IOException {
    Resource r = output.get(job, file);
    if (r == null) throw new IOException(file + " is not where renders are kept any more");
    return r;
  }
}
