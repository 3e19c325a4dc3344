package humble.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A kit to start from, and what a kit can do so far. */
class OwnCommandsTest {
  @Test
  void aNewKitPassesItsCheckAndCanDoNothingYet(@TempDir Path folder) throws Exception {
    Path kit = folder.resolve("ferry-bell");
    Ran made = Ran.runJson("new", kit.toString(), "--name", "Ferry bell");
    assertThat(made.status()).isZero();
    assertThat(made.json().path("name").asString()).isEqualTo("Ferry bell");
    assertThat(Ran.run("check", kit.toString()).status()).isZero();
    Ran unlocks = Ran.runJson("unlocks", kit.toString());
    assertThat(unlocks.json().path("can").isEmpty()).isTrue();
    assertThat(unlocks.json().path("next").get(0).path("unlocks").asString()).isEqualTo("count");
    assertThat(Ran.run("new", kit.toString()).status())
        .as("what is there is not written over")
        .isEqualTo(2);
  }

  @Test
  void aWholeKitCanDoEverythingAndOneWithoutNetsIsAnswersAway() throws Exception {
    Ran whole = Ran.runJson("unlocks", "../kits/glowmoth");
    assertThat(whole.json().path("can").size()).isEqualTo(5);
    assertThat(whole.json().path("next").isEmpty()).isTrue();
    Ran some = Ran.runJson("unlocks", "../kits/weathercock");
    assertThat(some.json().path("next").get(0).path("unlocks").asString())
        .isEqualTo("what is wrong");
    assertThat(some.json().path("next").get(0).path("answers").get(0).asString())
        .startsWith("R14.");
  }
}
