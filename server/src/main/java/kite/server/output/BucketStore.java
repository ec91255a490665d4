package kite.server.output;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.core.io.AbstractResource;
import org.springframework.core.io.Resource;
import software.amazon.awssdk.core.exception.SdkException;
import software.amazon.awssdk.services.s3.S3Client;
import software.amazon.awssdk.services.s3.model.NoSuchBucketException;
import software.amazon.awssdk.services.s3.model.NoSuchKeyException;
import software.amazon.awssdk.services.s3.model.S3Exception;
import software.amazon.awssdk.services.s3.model.S3Object;

/** A bucket of a store that speaks S3. A file is the object {@code prefix job/name}. */
final class BucketStore implements OutputStore {
  private static final int NOT_FOUND = 404, FORBIDDEN = 403, FULL = 507;

  private final S3Client store;
  private final String bucket;
  private final String prefix;

  /**
   * @param prefix before every name, as {@code renders/}; may be empty
   */
  BucketStore(S3Client store, String bucket, String prefix) {
    this.store = store;
    this.bucket = bucket;
    this.prefix = prefix;
  }

  @Override
  public String name() {
    return "Store of renders";
  }

  private String key(UUID job, String name) {
    return prefix + job + "/" + name;
  }

  @Override
  public void put(UUID job, String name, Path file) throws IOException {
    try {
      store.putObject(r -> r.bucket(bucket).key(key(job, name)), file);
    } catch (SdkException e) {
      throw trouble(e);
    }
    Files.deleteIfExists(file);
  }

  @Override
  public Resource get(UUID job, String name) throws IOException {
    String key = key(job, name);
    try {
      return new Stored(
          key, name, store.headObject(r -> r.bucket(bucket).key(key)).contentLength());
    } catch (NoSuchKeyException e) {
      return null;
    } catch (SdkException e) {
      throw trouble(e);
    }
  }

  /** An object that is read as often as it is asked for. */
  private final class Stored extends AbstractResource {
    private final String key;
    private final String name;
    private final long bytes;

    Stored(String key, String name, long bytes) {
      this.key = key;
      this.name = name;
      this.bytes = bytes;
    }

    @Override
    public InputStream getInputStream() throws IOException {
      try {
        return store.getObject(r -> r.bucket(bucket).key(key));
      } catch (SdkException e) {
        throw trouble(e);
      }
    }

    @Override
    public long contentLength() {
      return bytes;
    }

    @Override
    public boolean exists() {
      return true;
    }

    @Override
    public String getFilename() {
      return name;
    }

    @Override
    public long lastModified() {
      return 0; // not asked of the store
    }

    @Override
    public String getDescription() {
      return bucket + "/" + key;
    }
  }

  @Override
  public Set<String> names(UUID job) throws IOException {
    int before = key(job, "").length();
    return keys(job).stream().map(k -> k.substring(before)).collect(Collectors.toSet());
  }

  private List<String> keys(UUID job) throws IOException {
    try {
      return store
          .listObjectsV2Paginator(r -> r.bucket(bucket).prefix(key(job, "")))
          .contents()
          .stream()
          .map(S3Object::key)
          .toList();
    } catch (SdkException e) {
      throw trouble(e);
    }
  }

  @Override
  public void remove(UUID job, String name) throws IOException {
    delete(key(job, name));
  }

  @Override
  public void removeAll(UUID job) throws IOException {
    for (String key : keys(job)) delete(key);
  }

  private void delete(String key) throws IOException {
    try {
      store.deleteObject(r -> r.bucket(bucket).key(key));
    } catch (SdkException e) {
      throw trouble(e);
    }
  }

  @Override
  public Scratch scratch() throws IOException {
    return new Scratch(Files.createTempDirectory("kite-output"), true);
  }

  @Override
  public IOException why(IOException e) {
    if (e instanceof OutputTrouble) return e;
    Path here = Path.of(System.getProperty("java.io.tmpdir"));
    try {
      if (Files.getFileStore(here).getUsableSpace() < Scratch.LEAST_BYTES)
        return new OutputTrouble(
            "The disk with " + here + " on a worker is full. Make room on it, then resume.", e);
    } catch (IOException unknown) {
      e.addSuppressed(unknown);
    }
    return e;
  }

  @Override
  public Scratch bring(UUID job, List<String> names) throws IOException {
    Scratch here = scratch();
    try {
      for (String n : names) store.getObject(r -> r.bucket(bucket).key(key(job, n)), here.file(n));
      return here;
    } catch (NoSuchKeyException e) {
      here.close();
      throw new NoSuchFileException("a file of the job is not in the output store any more");
    } catch (SdkException e) {
      here.close();
      throw trouble(e);
    }
  }

  @Override
  public String look() throws IOException {
    try (Scratch tried = scratch()) {
      Path file = Files.writeString(tried.file("tried"), "tried");
      String key = prefix + "tried";
      store.putObject(r -> r.bucket(bucket).key(key), file);
      store.deleteObject(r -> r.bucket(bucket).key(key));
    } catch (SdkException e) {
      throw trouble(e);
    }
    return "bucket " + bucket;
  }

  private OutputTrouble trouble(SdkException e) {
    String where = "The output store (bucket " + bucket + ")";
    if (e instanceof NoSuchBucketException
        || e instanceof S3Exception s && s.statusCode() == NOT_FOUND)
      return new OutputTrouble(where + " has no such bucket. Make it, then resume.", e);
    if (e instanceof S3Exception s && s.statusCode() == FORBIDDEN)
      return new OutputTrouble(where + " does not let us in. Look at its keys, then resume.", e);
    if (e instanceof S3Exception s && s.statusCode() == FULL)
      return new OutputTrouble(where + " is full. Make room in it, then resume.", e);
    return new OutputTrouble(where + " does not answer. See that it runs, then resume.", e);
  }
}
