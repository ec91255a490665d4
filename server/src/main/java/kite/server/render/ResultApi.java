package kite.server.render;

import java.io.IOException;
import java.util.List;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import kite.server.Problem;
import kite.server.output.OutputStore;
import kite.server.rights.May;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** What came of renders and previews: pictures, films, and the files that are handed on. */
@RestController
@RequestMapping("/api")
class ResultApi {
  private static final MediaType EXR = MediaType.parseMediaType("image/x-exr");

  private final RenderJobs jobs;
  private final RenderFrames frames;
  private final OutputStore output;
  private final HandedFiles handed;
  private final Film film;

  ResultApi(
      RenderJobs jobs, RenderFrames frames, OutputStore output, HandedFiles handed, Film film) {
    this.handed = handed;
    this.jobs = jobs;
    this.frames = frames;
    this.output = output;
    this.film = film;
  }

  private RenderJob job(UUID id) {
    return jobs.findById(id).orElseThrow(() -> Problem.missing("render"));
  }

  @GetMapping("/renders/{id}/frames/{number}.png")
  @May.LookAtRender
  ResponseEntity<Resource> frame(@PathVariable UUID id, @PathVariable int number) {
    RenderFrame f =
        frames
            .findById(new RenderFrame.Key(id, number))
            .filter(x -> x.file.endsWith(".png"))
            .orElseThrow(() -> Problem.missing("frame"));
    return file(there(id, f.file), MediaType.IMAGE_PNG);
  }

  /**
   * A frame as it is handed on, in the form that was asked for: an archive where its passes are in
   * files of their own.
   */
  @GetMapping("/renders/{id}/files/{number}")
  @May.LookAtRender
  ResponseEntity<StreamingResponseBody> delivered(@PathVariable UUID id, @PathVariable int number) {
    RenderJob j = job(id);
    Kept.Form form = Kept.read(j.kept).form();
    if (!frames.existsById(new RenderFrame.Key(id, number))) throw Problem.missing("frame");
    String file = FrameFiles.delivered(number, form);
    FrameNames.Frame frame = FrameNames.of(j).get(number);
    String name = frame == null ? file : frame.of(FramePart.WHOLE) + "." + form.ending;
    String called = name.substring(name.lastIndexOf('/') + 1);
    if (HandedFiles.isParted(j))
      return archive(j, form, List.of(number), called.substring(0, called.lastIndexOf('.')));
    Resource there = there(id, file);
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, attached(called))
        .contentLength(bytesOf(there))
        .contentType(form.isExr() ? EXR : MediaType.IMAGE_PNG)
        .body(out -> handed.copy(id, file, out));
  }

  /** Every finished picture that is looked at, in one archive, in the order of the film. */
  @GetMapping("/renders/{id}/frames.zip")
  @May.LookAtRender
  ResponseEntity<StreamingResponseBody> archive(@PathVariable UUID id) {
    return archive(job(id), Kept.Form.PNG);
  }

  /** The same of the files that are handed on. */
  @GetMapping("/renders/{id}/files.zip")
  @May.LookAtRender
  ResponseEntity<StreamingResponseBody> deliveredArchive(@PathVariable UUID id) {
    RenderJob j = job(id);
    return archive(j, Kept.read(j.kept).form());
  }

  private ResponseEntity<StreamingResponseBody> archive(RenderJob j, Kept.Form form) {
    List<Integer> finished =
        frames.findByJobIdOrderByNumber(j.id).stream()
            .filter(f -> f.file.endsWith(".png"))
            .map(f -> f.number)
            .toList();
    if (finished.isEmpty()) throw Problem.missing("picture");
    String name = j.label.replaceAll("[^A-Za-z0-9_-]+", "-") + "-v" + j.numbered;
    return archive(j, form, finished, name);
  }

  private ResponseEntity<StreamingResponseBody> archive(
      RenderJob j, Kept.Form form, List<Integer> numbers, String name) {
    refuseGone(j.id, numbers.stream().map(n -> FrameFiles.delivered(n, form)).toList());
    StreamingResponseBody body =
        out -> {
          try (ZipOutputStream zip = new ZipOutputStream(out)) {
            handed.each(
                j,
                form,
                numbers,
                (file, content) -> {
                  zip.putNextEntry(new ZipEntry(file));
                  content.into(zip);
                  zip.closeEntry();
                });
          }
        };
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, attached(name + ".zip"))
        .contentType(MediaType.parseMediaType("application/zip"))
        .body(body);
  }

  private static String attached(String name) {
    return ContentDisposition.attachment().filename(name).build().toString();
  }

  /** The film; ranges are served, so that it can be scrubbed. */
  @GetMapping("/renders/{id}/film.mp4")
  @May.LookAtRender
  ResponseEntity<Resource> film(@PathVariable UUID id) {
    if (job(id).state != RenderJob.State.DONE) throw Problem.missing("film");
    return file(there(id, Film.NAME), MediaType.parseMediaType("video/mp4"));
  }

  /** The film as a moving picture (WebP), up to 640 pixels wide. */
  @GetMapping("/renders/{id}/film.webp")
  @May.LookAtRender
  ResponseEntity<Resource> moving(@PathVariable UUID id) throws InterruptedException {
    if (job(id).state != RenderJob.State.DONE) throw Problem.missing("film");
    there(id, Film.NAME);
    try {
      return file(film.moving(id), MediaType.parseMediaType("image/webp"));
    } catch (IOException e) {
      throw new Problem(
          HttpStatus.INTERNAL_SERVER_ERROR,
          "film",
          "The moving picture could not be made: " + Film.why(e));
    }
  }

  private static ResponseEntity<Resource> file(Resource file, MediaType type) {
    return ResponseEntity.ok().contentType(type).body(file);
  }

  /** Before anything of an archive is sent. */
  private void refuseGone(UUID job, List<String> files) {
    try {
      if (!output.names(job).containsAll(files)) throw gone();
    } catch (IOException e) {
      throw unreadable(e);
    }
  }

  private static long bytesOf(Resource file) {
    try {
      return file.contentLength();
    } catch (IOException e) {
      throw unreadable(e);
    }
  }

  private static Problem gone() {
    return Problem.missing("file any more: it was removed from where renders are kept");
  }

  private static Problem unreadable(IOException e) {
    return new Problem(HttpStatus.INTERNAL_SERVER_ERROR, "output", Film.why(e));
  }

  private Resource there(UUID job, String name) {
    try {
      Resource file = output.get(job, name);
      if (file == null) throw gone();
      return file;
    } catch (IOException e) {
      throw unreadable(e);
    }
  }
}
