package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.spy;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import com.github.kagkarlsson.scheduler.SchedulerState;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kite.core.form.SequenceJson;
import kite.demo.SaltWind;
import kite.render.TreeStore;
import kite.server.asset.AssetStore;
import kite.server.output.FoldersForTests;
import kite.server.output.OutputStore;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.util.FileSystemUtils;

class FrameWorkerTest {
  private final RenderJobs jobs = mock(RenderJobs.class);
  private final Ending ending = mock(Ending.class);
  private final AssetStore assets = mock(AssetStore.class);
  private final SchedulerState worker = mock(SchedulerState.class);
  private final RenderJob job = new RenderJob();
  @TempDir Path folder;
  private OutputStore output;
  private FrameWork second;

  @BeforeEach
  void aJobOfTwoGapFrames() {
    output = FoldersForTests.store(folder.resolve("output"));
    job.id = UUID.randomUUID();
    job.label = "a gap";
    job.document = SequenceJson.write(new SaltWind().sw010());
    job.shots = Shot.write(List.of(new Shot(null, 1001, 1002, null, null)));
    job.width = job.height = 16;
    job.samples = 1;
    second = new FrameWork(job.id, 2, 0, 0, 1);
    when(ending.begin(second)).thenReturn(job);
    when(jobs.wanted(job.id, 0)).thenReturn(true);
  }

  private FrameWorker worker(Clock clock) {
    return new FrameWorker(jobs, ending, assets, output, clock, 1);
  }

  private FrameWorker.Came made() throws Exception {
    return worker(Clock.systemUTC()).make(second, worker);
  }

  @Test
  void aFrameIsKeptAndThenCounted() throws Exception {
    assertEquals(FrameWorker.Came.OVER, made());
    assertTrue(output.get(job.id, "00002.png").contentLength() > 50);
    verify(ending).came(eq(second), any(), anyLong());
    assertTrue(isEmpty(folder.resolve("output/.being-made")), "nothing is left lying about");
  }

  @Test
  void whatIsWantedNoMoreIsLeftAlone() throws Exception {
    when(ending.begin(second)).thenReturn(null);
    assertEquals(FrameWorker.Came.OVER, made());
    assertTrue(output.names(job.id).isEmpty());
  }

  @Test
  void aFrameThatIsStoppedMeanwhileIsNotKept() throws Exception {
    aFrameThatTakesLong();
    Clock clock = mock(Clock.class);
    Instant[] now = {Instant.EPOCH};
    when(clock.instant()).thenAnswer(i -> now[0] = now[0].plusSeconds(1));
    when(jobs.wanted(job.id, 0)).thenReturn(false);
    assertEquals(FrameWorker.Came.OVER, worker(clock).make(second, worker));
    verify(ending, never()).came(any(), any(), anyLong());
    assertTrue(output.names(job.id).isEmpty());
  }

  @Test
  void aWorkerThatEndsLeavesItsFrameToAnother() throws Exception {
    aFrameThatTakesLong();
    when(worker.isShuttingDown()).thenReturn(true);
    assertEquals(FrameWorker.Came.FOR_ANOTHER, made());
    verify(ending, never()).came(any(), any(), anyLong());
  }

  private void aFrameThatTakesLong() {
    job.shots = Shot.write(List.of(new Shot("camA", 1001, 1002, null, null)));
    when(assets.trees()).thenReturn(new TreeStore(1 << 20));
    job.width = job.height = 64;
  }

  @Test
  void aFolderThatIsGoneEndsTheJobWithASentence() throws Exception {
    FileSystemUtils.deleteRecursively(folder.resolve("output"));
    assertEquals(FrameWorker.Came.OVER, made());
    verify(ending)
        .failed(eq(job.id), contains("is not there any more. Bring it back, then resume."));
  }

  /** A disk that is full, or unmounted, while a frame is made is no fault of that frame. */
  @Test
  void aFolderThatGoesWhileAFrameIsMadeEndsTheJobWithASentence() throws Exception {
    OutputStore goes = spy(output);
    doAnswer(
            call -> {
              Object made = call.callRealMethod();
              FileSystemUtils.deleteRecursively(folder.resolve("output"));
              return made;
            })
        .when(goes)
        .scratch();
    output = goes;
    assertEquals(FrameWorker.Came.OVER, made());
    verify(ending)
        .failed(eq(job.id), contains("is not there any more. Bring it back, then resume."));
  }

  @Test
  void whoeverMakesTheLastPartJoinsThem() throws Exception {
    job.shots = Shot.write(List.of(new Shot("camA", 1001, 1002, null, null)));
    job.width = 48;
    job.height = 30;
    job.samples = 2;
    job.kept = new Kept(Kept.Form.EXR, List.of("depth", "pieces"), List.of(), true, false).write();
    when(assets.trees()).thenReturn(new TreeStore(1 << 20));
    assertEquals(FrameWorker.Came.OVER, made());
    byte[] whole = bytes("00002.exr"), looked = bytes("00002.png");
    output.removeAll(job.id);
    for (int part : new int[] {2, 0, 1}) {
      FrameWork work = new FrameWork(job.id, 2, 0, part, 3);
      when(ending.begin(work)).thenReturn(job);
      assertNull(output.get(job.id, "00002.png"));
      worker(Clock.systemUTC()).make(work, worker);
    }
    assertEquals(Set.of("00002.exr", "00002.png"), output.names(job.id), "no part is left");
    assertArrayEquals(looked, bytes("00002.png"));
    assertArrayEquals(whole, bytes("00002.exr"));
    verify(ending, times(2)).partCame(any());
  }

  /** Programs that read a sequence of files want the same layers in each. */
  @Test
  void aGapOfTheCutHasTheLayersOfTheShots() throws Exception {
    Shot gap = new Shot(null, 1001, 1001, null, null),
        shot = new Shot("camA", 1002, 1002, null, null);
    job.shots = Shot.write(List.of(gap, shot));
    job.width = 48;
    job.height = 30;
    job.kept =
        new Kept(Kept.Form.EXR, List.of("diffuse", "depth", "pieces"), List.of(), true, false)
            .write();
    when(assets.trees()).thenReturn(new TreeStore(1 << 20));
    FrameWork first = new FrameWork(job.id, 1, 0, 0, 1);
    when(ending.begin(first)).thenReturn(job);
    worker(Clock.systemUTC()).make(first, worker);
    made();
    assertEquals(channels("00002.exr"), channels("00001.exr"));
    assertTrue(channels("00001.exr").size() >= 8, channels("00001.exr").toString());
  }

  /** Names of channels in the header: letters and digits before their type, which is a number. */
  private List<String> channels(String name) throws Exception {
    String header = new String(bytes(name), StandardCharsets.ISO_8859_1);
    List<String> all = new ArrayList<>();
    Matcher m =
        Pattern.compile("([A-Za-z0-9_.]+)\\x00[\\x00-\\x02]\\x00\\x00\\x00")
            .matcher(header.substring(header.indexOf("chlist"), header.indexOf("compression")));
    while (m.find()) all.add(m.group(1));
    return all;
  }

  private byte[] bytes(String name) throws Exception {
    return output.get(job.id, name).getInputStream().readAllBytes();
  }

  @Test
  void aFailureOfTheFrameIsForTheEngineToTryAgain() {
    job.shots = Shot.write(List.of(new Shot("nobody", 1001, 1002, null, null)));
    assertThrows(RuntimeException.class, this::made);
    verify(ending, never()).failed(any(), any());
  }

  @Test
  void whatEveryFrameWouldFailOfEndsTheJobAtOnce() throws Exception {
    job.document = "{\"format\":9}";
    assertEquals(FrameWorker.Came.OVER, made());
    verify(ending).failed(eq(job.id), contains("Nothing of it can be rendered: "));
  }

  @Test
  void aPictureThatIsTooLargeForThisWorkerIsLeftToAnother() throws Exception {
    job.width = job.height = 1 << 17;
    assertEquals(FrameWorker.Came.TOO_LARGE, made());
    verify(ending).says(eq(job), contains("more memory"));
  }

  private static boolean isEmpty(Path folder) throws Exception {
    try (var all = Files.list(folder)) {
      return all.findAny().isEmpty();
    }
  }
}
