package humble.formats.kit;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A build with its kit as one file: what is in it, and what is refused. */
class BuildArchiveTest {
  private static final String LINES = "{\"format\":\"humble-journal/1\"}\n";

  @TempDir private Path folder;

  private Build build(BuildEvent... more) {
    java.util.ArrayList<BuildEvent.Entry> entries = new java.util.ArrayList<>();
    entries.add(
        new BuildEvent.Entry(
            1,
            Instant.EPOCH,
            new BuildEvent.Began("Moth", "glowmoth", DemoKits.all().getFirst().toString(), 1)));
    for (BuildEvent event : more) {
      entries.add(new BuildEvent.Entry(entries.size() + 1L, Instant.EPOCH, event));
    }
    return Build.of("moth-1", entries);
  }

  private static BuildArchive opened(Path file) {
    return switch (BuildArchive.open(file)) {
      case BuildArchive.Read.Opened opened -> opened.archive();
      case BuildArchive.Read.Refused refused ->
          throw new AssertionError(refused.problems().toString());
    };
  }

  @Test
  void theKitIsKeptOnceAndItsFilesAreTheSame() throws IOException {
    Path file = Files.write(folder.resolve("a.hcbuild"), BuildArchive.of(build(), LINES, folder));
    BuildArchive archive = opened(file);
    assertThat(archive.lines()).isEqualTo(LINES);
    Path kits = folder.resolve("kits");
    Path kept = archive.keepKit(kits);
    assertThat(kept).startsWith(kits);
    assertThat(kept.resolve("kit.json"))
        .hasSameBinaryContentAs(DemoKits.all().getFirst().resolve("kit.json"));
    assertThat(kept.resolve("build.jsonl")).as("it is no file of the kit").doesNotExist();
    assertThat(archive.keepKit(kits)).as("the same kit is not kept twice").isEqualTo(kept);
    Files.writeString(kept.resolve("kit.json"), " ", java.nio.file.StandardOpenOption.APPEND);
    assertThat(archive.keepKit(kits)).as("another edition is").isNotEqualTo(kept);
    assertThat(KitFolder.at(kept).read()).isInstanceOf(KitRead.Opened.class);
  }

  @Test
  void aPhotoThatIsNamedGoesAlongAndNothingElseOfTheBench() throws IOException {
    Path photos = Files.createDirectories(folder.resolve("photos"));
    Files.write(photos.resolve("0123456789abcdef.jpg"), new byte[] {1, 2, 3});
    Files.write(photos.resolve("fedcba9876543210.jpg"), new byte[] {4});
    Build build =
        build(
            new BuildEvent.PhotoKept("photos/0123456789abcdef.jpg", "fit", "Fit C1"),
            new BuildEvent.PhotoKept("photos/../kit.json", "fit", "Fit C2"));
    Path file = Files.write(folder.resolve("a.hcbuild"), BuildArchive.of(build, LINES, photos));
    assertThat(opened(file).folder().bytes("photos/0123456789abcdef.jpg")).containsExactly(1, 2, 3);
    assertThat(opened(file).folder().files())
        .contains("photos/0123456789abcdef.jpg")
        .doesNotContain("photos/fedcba9876543210.jpg");
  }

  private Path zip(String... names) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
      for (String name : names) {
        zip.putNextEntry(new ZipEntry(name));
        zip.write("{}".getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
      }
    }
    return Files.write(folder.resolve("bad.hcbuild"), bytes.toByteArray());
  }

  @Test
  void whatIsNoBuildIsRefusedInOneSentenceAndWritesNothing() throws IOException {
    List<Path> bad =
        List.of(
            Files.writeString(folder.resolve("torn.hcbuild"), "PK but torn"),
            folder.resolve("not-there.hcbuild"),
            folder,
            zip("kit.json"),
            zip("build.jsonl"),
            zip("kit.json", "build.jsonl"),
            zip("kit.json", "build.jsonl", "../../out.txt"));
    for (Path file : bad) {
      assertThat(BuildArchive.open(file))
          .as(file.toString())
          .isInstanceOfSatisfying(
              BuildArchive.Read.Refused.class,
              refused ->
                  assertThat(refused.problems())
                      .isNotEmpty()
                      .allSatisfy(each -> assertThat(each).doesNotContain("Exception", "\n")));
    }
    assertThat(folder.resolve("out.txt")).doesNotExist();
    assertThat(folder.getParent().getParent().resolve("out.txt")).doesNotExist();
  }
}
