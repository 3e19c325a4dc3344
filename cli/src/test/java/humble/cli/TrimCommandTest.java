package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Ask and tell on the command line. */
class TrimCommandTest {
  private static final String HEAD =
      """
      {"knobs":[{"id":"T1","low":0,"high":1,"step":0.01},{"id":"T2","low":0,"high":1,"step":0.01}],
       "reading":{"unit":"V","goal":"min","step":0.01,"noise":0.0},
       "tries":[%s]}
      """;

  @TempDir private Path folder;

  private Ran trim(String text) throws Exception {
    Path file = Files.writeString(folder.resolve("state.json"), text);
    return Ran.runJson("trim", "--state", file.toString());
  }

  @Test
  void askedAndToldItReachesTheNullAndStops() throws Exception {
    StringBuilder tries = new StringBuilder();
    double least = Double.POSITIVE_INFINITY;
    boolean stopped = false;
    for (int i = 0; i < 40 && !stopped; i++) {
      Ran ran = trim(HEAD.formatted(tries));
      assertThat(ran.status()).isZero();
      JsonNode json = ran.json();
      assertThat(json.propertyNames())
          .containsExactly("next", "best", "expected_gain", "stop", "advice");
      assertThat(json.path("best").isNull()).isEqualTo(i == 0);
      double a = json.path("next").path("T1").asDouble();
      double b = json.path("next").path("T2").asDouble();
      double reads = Math.round(300 * Math.hypot(a - 0.62 + 0.6 * (b - 0.31), b - 0.31)) / 100.0;
      stopped = json.path("stop").asBoolean();
      if (stopped) {
        assertThat(reads).isLessThanOrEqualTo(0.03);
      }
      least = Math.min(least, reads);
      tries
          .append(i == 0 ? "" : ",")
          .append("{\"at\":{\"T1\":%s,\"T2\":%s},\"reads\":%s}".formatted(a, b, reads));
    }
    assertThat(stopped).isTrue();
    assertThat(least).isLessThanOrEqualTo(0.03);
  }

  @Test
  void everythingThatStandsAgainstAFileIsSaidAtOnce() throws Exception {
    Ran ran =
        trim(
            """
            {"knobs":[{"id":"T1","low":1,"high":0},{"id":"T2","step":-1,"colour":"red"}],
             "reading":{"goal":"least"},
             "tries":[{"at":{"T2":7}}]}
            """);
    assertThat(ran.status()).isEqualTo(2);
    assertThat(ran.out()).isEmpty();
    assertThat(ran.err().lines())
        .hasSizeGreaterThan(5)
        .allMatch(line -> line.startsWith("state.json#"))
        .anyMatch(line -> line.contains("#/knobs/0/high"))
        .anyMatch(line -> line.contains("#/knobs/1/colour"))
        .anyMatch(line -> line.contains("#/reading/goal"))
        .anyMatch(line -> line.contains("#/tries/0/at/T2"))
        .anyMatch(line -> line.contains("#/tries/0/reads"));
    assertThat(trim("[").status()).isEqualTo(2);
    assertThat(trim("[]").err()).contains("An object is expected");
    assertThat(trim("{\"knobs\":[],\"reading\":{\"goal\":\"min\"}}").err())
        .contains("One to four knobs");
    assertThat(Ran.runJson("trim", "--state", folder.resolve("none").toString()).status())
        .isEqualTo(2);
  }
}
