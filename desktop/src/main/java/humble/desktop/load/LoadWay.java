package humble.desktop.load;

import humble.bench.ChipLeft;
import humble.bench.LineTrouble;
import humble.bench.SerialLink;
import humble.bench.line.BoardDrive;
import humble.bench.line.ByteLine;
import humble.bench.line.LineLink;
import humble.bench.line.Loading;
import humble.bench.line.OwnProgrammer;
import humble.bench.line.ResetPulse;
import humble.bench.line.SerialPorts;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.words.Phrase;
import humble.formats.image.ImageWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** A way to the chip that a maker may choose. */
sealed interface LoadWay {
  /** The practice bench. */
  record Practice() implements LoadWay {}

  /** A serial port, with the protocol that the chip takes over it. */
  record Port(String name, String says, boolean fresh, String protocol) implements LoadWay {}

  /** A drive that a board shows. */
  record Drive(Path folder, String board) implements LoadWay {}

  /** A loader of the maker's own, who says so. */
  record Own() implements LoadWay {}

  /** A programmer of the maker's own, run by its command. */
  record Command(String template) implements LoadWay {}

  /** Gives the file of an image as it is in the kit. */
  interface Original {
    byte[] bytes() throws IOException;
  }

  /** How long an answer of a chip may take. */
  int ANSWER_MS = 3_000;

  /** How long a maker may take to start the receiver. */
  int RECEIVER_MS = 60_000;

  /** How much of what a command says last is shown. */
  int MOST_SAID = 120;

  /** Gives the name of the thread that talks this way. */
  default String thread(Firmware.Target target) {
    return switch (this) {
      case Practice way -> target.id();
      case Port way -> way.name();
      case Drive way -> way.folder().toString();
      case Command way -> "command";
      case Own way -> "own";
    };
  }

  /** Gives the name that the journal keeps. */
  default String text() {
    return switch (this) {
      case Practice way -> "practice";
      case Port way -> way.name();
      case Drive way -> way.folder().toString();
      case Command way -> "command " + way.template();
      case Own way -> "own";
    };
  }

  /**
   * Sends an image; on the thread of the link.
   *
   * @param practice gives the line to the simulated chip
   */
  default Loading.Outcome send(
      ProgramImage image,
      String file,
      Original original,
      Firmware.Target target,
      Supplier<SerialLink> practice,
      DoubleConsumer progress,
      BooleanSupplier calledOff) {
    return switch (this) {
      case Practice way ->
          Loading.send(image, new Loading.Way.Pages(practice.get(), target), progress, calledOff);
      case Port way -> overPort(way, image, target, progress, calledOff);
      case Drive way -> onDrive(way, image, file, target, progress, calledOff);
      case Command way -> byCommand(way, image, file, original, calledOff);
      case Own way ->
          new Loading.Outcome.Failed(Phrase.of("line.no-port", ""), 0, ChipLeft.AS_IT_WAS);
    };
  }

  private static Loading.Outcome overPort(
      Port way,
      ProgramImage image,
      Firmware.Target target,
      DoubleConsumer progress,
      BooleanSupplier calledOff) {
    try (ByteLine line = SerialPorts.open(way.name(), target.facts().baud())) {
      ResetPulse.named(target.facts().resetBy()).orElse(ResetPulse.NONE).on(line);
      return Loading.send(
          image,
          way.protocol().equals("xmodem")
              ? new Loading.Way.Xmodem(line, false, RECEIVER_MS)
              : new Loading.Way.Pages(new LineLink(line, ANSWER_MS), target),
          progress,
          calledOff);
      // What fails while it is being sent ends the sending: here the port never opened.
    } catch (LineTrouble e) {
      return new Loading.Outcome.Failed(e.phrase(), 0, ChipLeft.AS_IT_WAS);
    } catch (IOException e) {
      return new Loading.Outcome.Failed(
          Phrase.of("link.broken", String.valueOf(e.getMessage())), 0, ChipLeft.AS_IT_WAS);
    }
  }

  /** What the command works on is the file as it is, in a folder of its own. */
  private static Loading.Outcome byCommand(
      Command way, ProgramImage image, String file, Original original, BooleanSupplier calledOff) {
    Path folder = null;
    try {
      folder = Files.createTempDirectory("humble-load");
      Path at = folder.resolve(file.substring(file.lastIndexOf('/') + 1));
      Files.write(at, original.bytes());
      return ran(OwnProgrammer.of(way.template()).orElseThrow(), at, image, calledOff);
    } catch (IOException e) {
      return new Loading.Outcome.Failed(
          Phrase.of("link.broken", String.valueOf(e.getMessage())), 0, ChipLeft.AS_IT_WAS);
    } finally {
      clear(folder);
    }
  }

  private static Loading.Outcome ran(
      OwnProgrammer programmer, Path file, ProgramImage image, BooleanSupplier calledOff) {
    return switch (programmer.run(Map.of("file", file.toString()), said -> {}, calledOff)) {
      case OwnProgrammer.Outcome.Ended ended ->
          ended.status() == 0
              ? new Loading.Outcome.Sent(image.length(), 0, Loading.Proof.COMMAND, 0)
              : new Loading.Outcome.Failed(
                  Phrase.of("own.failed-saying", ended.status(), lastLine(ended.said())),
                  0,
                  ChipLeft.UNKNOWN);
      case OwnProgrammer.Outcome.Cancelled off ->
          new Loading.Outcome.Cancelled(0, ChipLeft.UNKNOWN);
      case OwnProgrammer.Outcome.Failed failed ->
          new Loading.Outcome.Failed(failed.why(), 0, ChipLeft.AS_IT_WAS);
    };
  }

  private static String lastLine(String said) {
    String last = said.lines().filter(line -> !line.isBlank()).reduce("", (a, b) -> b).strip();
    return last.length() > MOST_SAID ? last.substring(0, MOST_SAID) + "…" : last;
  }

  private static void clear(@Nullable Path folder) {
    if (folder == null) {
      return;
    }
    try (Stream<Path> files = Files.list(folder)) {
      for (Path each : files.toList()) {
        Files.deleteIfExists(each);
      }
      Files.deleteIfExists(folder);
    } catch (IOException e) {
      folder.toFile().deleteOnExit();
    }
  }

  private static Loading.Outcome onDrive(
      Drive way,
      ProgramImage image,
      String file,
      Firmware.Target target,
      DoubleConsumer progress,
      BooleanSupplier calledOff) {
    Optional<BoardDrive> drive = BoardDrive.at(way.folder());
    if (drive.isEmpty()) {
      return new Loading.Outcome.Failed(
          Phrase.of("drive.none", way.folder().toString()), 0, ChipLeft.AS_IT_WAS);
    }
    String name = file.substring(file.lastIndexOf('/') + 1);
    int dot = name.lastIndexOf('.');
    byte[] uf2 =
        ImageWriter.write("a.uf2", image, new ImageWriter.As(0xff, target.uf2Family()))
            .orElseThrow();
    return Loading.send(
        image,
        new Loading.Way.Drive(drive.get(), (dot > 0 ? name.substring(0, dot) : name) + ".uf2", uf2),
        progress,
        calledOff);
  }
}
