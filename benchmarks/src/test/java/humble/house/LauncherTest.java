package humble.house;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the launcher says before anything is built or started. */
class LauncherTest {
  @TempDir Path folder;

  private record Said(int status, String text) {}

  private Said run(boolean home, String... words) throws Exception {
    List<String> command = new ArrayList<>(List.of("bash"));
    command.add(
        Path.of(System.getProperty("humble.root", "..")).resolve("humble").toAbsolutePath() + "");
    command.addAll(List.of(words));
    ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
    builder.directory(folder.toFile());
    builder.environment().remove("DISPLAY");
    if (!home) {
      builder.environment().remove("HOME");
    }
    Process process = builder.start();
    process.getOutputStream().close();
    String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
    return new Said(process.exitValue(), text);
  }

  @Test
  void aFileThatIsNotThereIsSaid() throws Exception {
    Said said = run(true, "open", "none/kit");
    assertThat(said.status()).isEqualTo(2);
    assertThat(said.text()).isEqualTo("humble: none/kit: there is no such file\n");
    assertThat(run(true, "open", folder.resolve("missing").toString()).status()).isEqualTo(2);
  }

  @Test
  void helpIsHelpAndSlipsAreSaid() throws Exception {
    assertThat(run(true, "demo", "--help").text()).contains("./humble demo").contains("kill N");
    assertThat(run(true, "open", "--help").status()).isZero();
    Said slip = run(true, "demo", "--fersh");
    assertThat(slip.status()).isEqualTo(2);
    assertThat(slip.text()).contains("no option '--fersh'");
  }

  @Test
  void itDoesWithoutAHomeInTheEnvironment() throws Exception {
    Said said = run(false, "demo", "--help");
    assertThat(said.status()).as(said.text()).isZero();
    assertThat(said.text()).doesNotContain("unbound");
  }

  /** Whoever comes while another one builds waits, says so, and then finds it built. */
  @Test
  void aSecondStartWaitsForTheFirstOnesBuild() throws Exception {
    Path checkout = Files.createDirectories(folder.resolve("checkout"));
    Path root = Path.of(System.getProperty("humble.root", ".."));
    String launcher = Files.readString(root.resolve("humble"));
    // The same launcher, whose build takes two seconds and leaves a line.
    String slow =
        launcher.replace(
            "if ! maven -q package",
            "sleep 2; mkdir -p \"$APP\"; echo built >> \"$ROOT/builds\"; if ! true");
    assertThat(slow).isNotEqualTo(launcher);
    Files.writeString(
        checkout.resolve("humble"), slow.replace("\n  rehearse\n  touch", "\n  touch"));
    Files.writeString(checkout.resolve("pom.xml"), "<project/>");
    Files.createDirectories(checkout.resolve("core/src/main"));
    Files.writeString(checkout.resolve("core/pom.xml"), "<project/>");
    Process first = build(checkout);
    Thread.sleep(700);
    Process second = build(checkout);
    String said = new String(second.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(second.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(first.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(said).contains("another start is building; waiting");
    assertThat(second.exitValue()).as(said).isZero();
    assertThat(checkout.resolve("builds")).hasContent("built");
  }

  private static Process build(Path checkout) throws Exception {
    return new ProcessBuilder("bash", checkout.resolve("humble").toString(), "build")
        .redirectErrorStream(true)
        .start();
  }
}
