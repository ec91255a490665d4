package kite.server.output;

import java.net.URI;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import software.amazon.awssdk.auth.credentials.AwsBasicCredentials;
import software.amazon.awssdk.auth.credentials.StaticCredentialsProvider;
import software.amazon.awssdk.core.checksums.RequestChecksumCalculation;
import software.amazon.awssdk.core.checksums.ResponseChecksumValidation;
import software.amazon.awssdk.http.urlconnection.UrlConnectionHttpClient;
import software.amazon.awssdk.regions.Region;
import software.amazon.awssdk.services.s3.S3Client;

/** Which store there is, by configuration: a folder, unless a bucket is named. */
@Configuration
class Outputs {
  /**
   * A store that speaks S3.
   *
   * @param name of the bucket; a folder is the store where it is empty
   * @param address of the store
   * @param prefix before every name in the bucket
   */
  @ConfigurationProperties("kite.bucket")
  record Bucket(
      @DefaultValue("") String name,
      @DefaultValue("") String address,
      @DefaultValue("us-east-1") String region,
      @DefaultValue("") String key,
      @DefaultValue("") String secret,
      @DefaultValue("") String prefix) {}

  @Bean
  OutputStore outputStore(Bucket bucket, @Value("${kite.output}") Path folder) {
    if (bucket.name().isEmpty()) return new FolderStore(folder);
    return new BucketStore(client(bucket), bucket.name(), bucket.prefix());
  }

  private static S3Client client(Bucket bucket) {
    // checksums are asked for where S3 itself asks for them, and not of stores that only speak like
    // it
    return S3Client.builder()
        .endpointOverride(URI.create(bucket.address()))
        .region(Region.of(bucket.region()))
        .credentialsProvider(
            StaticCredentialsProvider.create(
                AwsBasicCredentials.create(bucket.key(), bucket.secret())))
        .forcePathStyle(true)
        .requestChecksumCalculation(RequestChecksumCalculation.WHEN_REQUIRED)
        .responseChecksumValidation(ResponseChecksumValidation.WHEN_REQUIRED)
        .serviceConfiguration(s -> s.chunkedEncodingEnabled(false))
        .httpClient(UrlConnectionHttpClient.create())
        .build();
  }
}
