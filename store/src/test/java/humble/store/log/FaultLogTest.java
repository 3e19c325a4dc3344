package humble.store.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FaultLogTest {
  @TempDir Path folder;

  @Test
  void aFaultIsWrittenWithItsPlaceAndNothingBefore() throws Exception {
    Path home = folder.resolve("what? #1 100% müde");
    try (FaultLog log = new FaultLog(home)) {
      assertThat(log.file()).doesNotExist();
      log.fault("the picture could not be drawn", new IllegalStateException("no pen"));
      log.note("no copy could be made");
    }
    assertThat(Files.readString(home.resolve("log/humble.log")))
        .contains("ERROR the picture could not be drawn")
        .contains("IllegalStateException: no pen")
        .contains("FaultLogTest")
        .contains("WARN  no copy could be made");
  }

  @Test
  void theLogRollsOverAndFiveFilesAreKept() throws Exception {
    String long0 = "x".repeat(100_000);
    try (FaultLog log = new FaultLog(folder)) {
      for (int i = 0; i < 120; i++) {
        log.note(i + long0);
      }
    }
    try (var files = Files.list(folder.resolve("log"))) {
      assertThat(files.toList())
          .hasSize(5)
          .allSatisfy(file -> assertThat(Files.size(file)).isLessThan(1_200_000));
    }
  }

  @Test
  void aPlaceThatCannotBeWrittenStopsNobody() throws Exception {
    Files.writeString(folder.resolve("log"), "in the way");
    try (FaultLog log = new FaultLog(folder)) {
      log.note("nobody reads this");
    }
    assertThat(folder.resolve("log")).hasContent("in the way");
  }
}
