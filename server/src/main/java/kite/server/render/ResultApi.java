package kite.server.render;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
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
  private final Film film;

  ResultApi(RenderJobs jobs, RenderFrames frames, OutputStore output, Film film) {
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

  /** A frame as it is handed on, in the form that was asked for. */
  @GetMapping("/renders/{id}/files/{number}")
  @May.LookAtRender
  ResponseEntity<Resource> delivered(@PathVariable UUID id, @PathVariable int number) {
    Kept.Form form = Kept.read(job(id).kept).form();
    if (!frames.existsById(new RenderFrame.Key(id, number))) throw Problem.missing("frame");
    String name = FrameFiles.delivered(number, form);
    String called = called(FrameNames.of(job(id)).get(number), name);
    return ResponseEntity.status(HttpStatus.OK)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            attached(called.substring(called.lastIndexOf('/') + 1)))
        .contentType(form.isExr() ? EXR : MediaType.IMAGE_PNG)
        .body(there(id, name));
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
    List<RenderFrame> finished =
        frames.findByJobIdOrderByNumber(j.id).stream()
            .filter(f -> f.file.endsWith(".png"))
            .toList();
    if (finished.isEmpty()) throw Problem.missing("picture");
    Map<Integer, String> names = FrameNames.of(j);
    StreamingResponseBody body =
        out -> {
          try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (RenderFrame f : finished) {
              String name = FrameFiles.delivered(f.number, form);
              zip.putNextEntry(new ZipEntry(called(names.get(f.number), name)));
              try (InputStream in = there(j.id, name).getInputStream()) {
                in.transferTo(zip);
              }
              zip.closeEntry();
            }
          }
        };
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            attached(j.label.replaceAll("[^A-Za-z0-9_-]+", "-") + "-v" + j.numbered + ".zip"))
        .contentType(MediaType.parseMediaType("application/zip"))
        .body(body);
  }

  /** A name with the ending of a file; the file's own where there is none. */
  private static String called(String name, String file) {
    return name == null ? file : name + file.substring(file.lastIndexOf('.'));
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

  private Resource there(UUID job, String name) {
    try {
      Resource file = output.get(job, name);
      if (file == null)
        throw Problem.missing("file any more: it was removed from where renders are kept");
      return file;
    } catch (IOException e) {
      throw new Problem(HttpStatus.INTERNAL_SERVER_ERROR, "output", Film.why(e));
    }
  }
}
