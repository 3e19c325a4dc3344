package humble.bench.line;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.words.Words;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ControlAndDriveTest {
  @TempDir Path folder = Path.of("");

  /** On a line that writes down what is set: no port of a test has control lines. */
  @ParameterizedTest
  @CsvSource({
    "none, ''",
    "dtr, '- -;DTR RTS'",
    "rts, '- RTS;- -'",
    "rts-loader-dtr, '- RTS;DTR -;- -'"
  })
  void everyResetIsTheSequenceThatItSays(String name, String steps) throws IOException {
    Pipe pipe = new Pipe();
    ResetPulse.named(name).orElseThrow().on(pipe.a());
    assertThat(String.join(";", pipe.controls())).isEqualTo(steps);
  }

  private BoardDrive drive() throws IOException {
    Files.writeString(
        folder.resolve(BoardDrive.INFO), "Loader v1\r\nModel: Lamp\r\nBoard-ID: harbour-lamp\r\n");
    return BoardDrive.at(folder).orElseThrow();
  }

  @Test
  void aFolderWithoutTheFileIsNoBoard() throws IOException {
    assertThat(BoardDrive.at(folder)).isEmpty();
    assertThat(drive().board()).isEqualTo("harbour-lamp");
  }

  @Test
  void whatIsCopiedReadsBack() throws IOException {
    byte[] bytes = new byte[100_000];
    AtomicInteger told = new AtomicInteger();
    assertThat(drive().copy("a.uf2", bytes, share -> told.incrementAndGet(), () -> false))
        .isEqualTo(new BoardDrive.Outcome.Copied(100_000, Optional.of(true)));
    assertThat(told.get()).isGreaterThan(3);
    assertThat(Files.readAllBytes(folder.resolve("a.uf2"))).isEqualTo(bytes);
  }

  @Test
  void aNameCannotLeaveTheDrive() throws IOException {
    BoardDrive.Outcome out = drive().copy("../a.uf2", new byte[1], share -> {}, () -> false);
    assertThat(out).isInstanceOf(BoardDrive.Outcome.Failed.class);
    assertThat(folder.resolve("../a.uf2")).doesNotExist();
  }

  @Test
  void aCancelledCopyLeavesNothing() throws IOException {
    AtomicInteger asked = new AtomicInteger();
    assertThat(
            drive()
                .copy("a.uf2", new byte[1 << 20], share -> {}, () -> asked.incrementAndGet() > 3))
        .isInstanceOf(BoardDrive.Outcome.Cancelled.class);
    assertThat(folder.resolve("a.uf2")).doesNotExist();
  }

  @Test
  void aDriveThatWentAwayIsSaid() throws IOException {
    BoardDrive drive = drive();
    Files.delete(folder.resolve(BoardDrive.INFO));
    Files.delete(folder);
    assertThat(drive.copy("a.uf2", new byte[9], share -> {}, () -> false))
        .isInstanceOfSatisfying(
            BoardDrive.Outcome.Failed.class,
            failed ->
                assertThat(Words.core(Locale.ENGLISH).say(failed.why())).contains("went away"));
  }

  @Test
  void wordsOfACommandStayWords() {
    OwnProgrammer own =
        OwnProgrammer.of("prog -x \"a b\" c\\ d 'e\"f' --file={file} {port}{port}").orElseThrow();
    assertThat(own.words(Map.of("file", "x y; {port}", "port", "p q")))
        .containsExactly("prog", "-x", "a b", "c d", "e\"f", "--file=x y; {port}", "p qp q");
    assertThat(own.names("file")).isTrue();
    assertThat(own.names("out")).isFalse();
    assertThat(List.of("", "   ", "a \"b", "a 'b"))
        .allSatisfy(text -> assertThat(OwnProgrammer.of(text)).as(text).isEmpty());
  }

  @Test
  void aCommandIsJudgedByHowItEndsAndCanBeEnded() {
    assertThat(OwnProgrammer.of("false").orElseThrow().run(Map.of(), t -> {}, () -> false))
        .isEqualTo(new OwnProgrammer.Outcome.Ended(1, ""));
    StringBuilder said = new StringBuilder();
    assertThat(
            OwnProgrammer.of("echo written").orElseThrow().run(Map.of(), said::append, () -> false))
        .isEqualTo(new OwnProgrammer.Outcome.Ended(0, "written\n"));
    assertThat(said).hasToString("written\n");
    AtomicInteger asked = new AtomicInteger();
    assertThat(
            OwnProgrammer.of("sleep 60")
                .orElseThrow()
                .run(Map.of(), t -> {}, () -> asked.incrementAndGet() > 3))
        .isInstanceOf(OwnProgrammer.Outcome.Cancelled.class);
    assertThat(
            OwnProgrammer.of("no-such-program-here")
                .orElseThrow()
                .run(Map.of(), t -> {}, () -> false))
        .isInstanceOf(OwnProgrammer.Outcome.Failed.class);
  }
}
