package humble.cli;

import humble.bench.ChipLeft;
import humble.bench.LineTrouble;
import humble.bench.PracticeBench;
import humble.bench.line.BoardDrive;
import humble.bench.line.ByteLine;
import humble.bench.line.LineLink;
import humble.bench.line.Loading;
import humble.bench.line.OwnProgrammer;
import humble.bench.line.ResetPulse;
import humble.bench.line.SerialPorts;
import humble.core.firmware.ImageCheck;
import humble.core.firmware.ImageDiff;
import humble.core.firmware.ImageProblem;
import humble.core.firmware.ProgramImage;
import humble.core.kit.ChipFacts;
import humble.core.kit.Firmware;
import humble.core.kit.Parts;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.formats.InputFile;
import humble.formats.ReadingBudget;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import humble.formats.image.ImageWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Loads an image into a board: simulated, over a serial port, by a drive, by one's own command. */
@Command(name = "load", description = "Send an image to a board and read it back where it can be.")
final class LoadCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);
  private static final String SIMULATED = "sim:";
  private static final String DRIVE = "drive:";
  private static final int ANSWER_MS = 3_000;

  @Parameters(paramLabel = "IMAGE")
  @Nullable Path image;

  @Option(
      names = "--port",
      paramLabel = "PORT",
      description =
          "A serial port, sim:TARGET for a simulated board, drive:FOLDER for a board's drive.")
  @Nullable String port;

  @Option(
      names = "--kit",
      paramLabel = "KIT",
      description = "The kit the target belongs to: the image is checked against it first.")
  @Nullable Path kit;

  @Option(names = "--target", paramLabel = "ID", description = "The target of the kit.")
  @Nullable String targetId;

  @Option(
      names = "--protocol",
      paramLabel = "xmodem|page|drive",
      description = "How the board takes it (default: the first that the target names).")
  @Nullable String protocol;

  @Option(names = "--baud", paramLabel = "N", description = "Speed of the port.")
  @Nullable Integer baud;

  @Option(
      names = "--reset",
      paramLabel = "NAME",
      description = "How the board is reset: none, dtr, rts, rts-loader-dtr (default: none).")
  String reset = ResetPulse.NONE.text();

  @Option(names = "--long-blocks", description = "XMODEM with blocks of 1 KiB.")
  boolean longBlocks;

  @Option(
      names = "--wait",
      paramLabel = "SECONDS",
      description = "How long to wait for a receiver (default: ${DEFAULT-VALUE}).")
  int waitSeconds = 60;

  @Option(
      names = "--command",
      paramLabel = "WORDS",
      description = "A programmer of your own; {file} and {port} are put in. No shell runs it.")
  @Nullable String own;

  @Option(
      names = "--read-command",
      paramLabel = "WORDS",
      description = "Reads the chip into {out}, so that it can be compared.")
  @Nullable String ownRead;

  @Option(names = "--base", paramLabel = "ADDR", description = "First address of a raw file.")
  @Nullable String base;

  @Option(
      names = "--verify",
      description = "Verify by reading back; done wherever it can be, kept for scripts.")
  boolean verify;

  private final long begun = System.nanoTime();

  @Override
  Answer answer() {
    Target target = target();
    ImageRead.Image read = Images.read(Objects.requireNonNull(image), known(target));
    List<ImageProblem> problems =
        target == null
            ? List.of()
            : ImageCheck.of(read.image(), read.families(), target.chip(), target.parts());
    if (!problems.isEmpty()) {
      throw new BadInput(problems.stream().map(p -> image + ": " + WORDS.say(p.phrase())).toList());
    }
    ProgramImage program = read.image();
    if (own != null) {
      return byCommand(own);
    }
    if (port == null) {
      throw new BadInput("--port: say where the board is, or give --command.");
    }
    if (port.startsWith(SIMULATED)) {
      return simulated(program, Objects.requireNonNull(target));
    }
    if (port.startsWith(DRIVE)) {
      wanted("drive");
      return byDrive(read, target, Path.of(port.substring(DRIVE.length())));
    }
    String way =
        protocol != null
            ? protocol
            : target == null
                ? "xmodem"
                : target.chip().protocols().stream()
                    .filter(each -> !each.equals("drive"))
                    .findFirst()
                    .orElse("page");
    return switch (way) {
      case "xmodem" ->
          overPort(
              target,
              line ->
                  sent(
                      program,
                      new Loading.Way.Xmodem(line, longBlocks, Math.max(1, waitSeconds) * 1000),
                      false));
      case "page" -> {
        if (target == null) {
          throw new BadInput("--kit, --target: page by page needs to know the chip's pages.");
        }
        yield overPort(
            target,
            line ->
                sent(
                    program,
                    new Loading.Way.Pages(new LineLink(line, ANSWER_MS), target.chip()),
                    false));
      }
      default -> throw new BadInput("--protocol: '" + way + "' is none of xmodem, page, drive.");
    };
  }

  /** A chip on a board. */
  private record Target(Firmware.Target chip, Parts parts) {}

  private @Nullable Target target() {
    String id =
        port != null && port.startsWith(SIMULATED) ? port.substring(SIMULATED.length()) : targetId;
    if (kit == null) {
      if (id != null) {
        throw new BadInput("--kit: say the kit that the target '" + id + "' belongs to.");
      }
      return null;
    }
    Parts parts = parts(kit);
    if (id == null) {
      List<Firmware.Target> all = parts.kit().firmware().targets();
      if (all.size() != 1) {
        throw new BadInput("--target: the kit has " + all.size() + " targets; say which.");
      }
      return new Target(all.getFirst(), parts);
    }
    return new Target(
        parts
            .kit()
            .firmware()
            .target(id)
            .orElseThrow(() ->
                new BadInput(
                    (port != null && port.startsWith(SIMULATED) ? "--port" : "--target")
                        + ": the kit has no target '"
                        + id
                        + "'.")),
        parts);
  }

  private ImageFile.Known known(@Nullable Target target) {
    return new ImageFile.Known(
        base == null ? null : Images.number("--base", base, 0xffff_ffffL),
        target == null ? null : target.chip().uf2Family());
  }

  private void wanted(String way) {
    if (protocol != null && !protocol.equals(way)) {
      throw new BadInput("--protocol: this port takes '" + way + "', not '" + protocol + "'.");
    }
  }

  private interface OverLine {
    Answer on(ByteLine line) throws IOException;
  }

  private Answer overPort(@Nullable Target target, OverLine work) {
    int speed =
        baud != null ? baud : target == null ? ChipFacts.USUAL_BAUD : target.chip().facts().baud();
    if (speed < 1) {
      throw new BadInput("--baud: " + speed + " is no speed.");
    }
    ResetPulse pulse =
        ResetPulse.named(reset)
            .orElseThrow(() ->
                new BadInput(
                    "--reset: '"
                        + reset
                        + "' is none of "
                        + String.join(
                            ", ", Arrays.stream(ResetPulse.values()).map(ResetPulse::text).toList())
                        + "."));
    try (ByteLine line = open(speed)) {
      pulse.on(line);
      return work.on(line);
    } catch (LineTrouble e) {
      return no(0, WORDS.say(e.phrase()));
    } catch (IOException e) {
      return no(0, String.valueOf(e.getMessage()));
    }
  }

  private ByteLine open(int speed) throws IOException {
    try {
      return SerialPorts.open(Objects.requireNonNull(port), speed);
    } catch (LineTrouble e) {
      throw new BadInput("--port: " + WORDS.say(e.phrase()));
    }
  }

  private Answer simulated(ProgramImage program, Target target) {
    return sent(
        program,
        new Loading.Way.Pages(
            new PracticeBench(target.parts(), 0, List.of()).link(target.chip()), target.chip()),
        true);
  }

  private Answer byDrive(ImageRead.Image read, @Nullable Target target, Path folder) {
    BoardDrive drive =
        BoardDrive.at(folder)
            .orElseThrow(() ->
                new BadInput("--port: " + WORDS.say(Phrase.of("drive.none", folder.toString()))));
    String name = String.valueOf(Objects.requireNonNull(image).getFileName());
    String stem = name.contains(".") ? name.substring(0, name.lastIndexOf('.')) : name;
    byte[] bytes =
        read.format().equals("uf2")
            ? asItIs()
            : ImageWriter.write(
                    "a.uf2",
                    read.image(),
                    new ImageWriter.As(0xff, target == null ? null : target.chip().uf2Family()))
                .orElseThrow();
    return sent(read.image(), new Loading.Way.Drive(drive, stem + ".uf2", bytes), false);
  }

  private Answer sent(ProgramImage program, Loading.Way way, boolean simulated) {
    return switch (Loading.send(program, way, LoadCommand::progress, () -> false)) {
      case Loading.Outcome.Sent sent -> {
        boolean verified = sent.proof() == Loading.Proof.READ_BACK;
        Map<String, @Nullable Object> answer = yes(sent.bytes(), verified, sent.retries());
        if (simulated) {
          answer.put("simulated", true);
        }
        if (sent.kept() > 0) {
          answer.put("kept", sent.kept());
        }
        yield new Answer(
            answer,
            List.of(
                sent.bytes()
                    + " bytes sent to "
                    + (simulated ? "a simulated board, " : "the board, ")
                    + told(sent.proof())
                    + (sent.kept() > 0 ? " " + sent.kept() + " of them were in already." : "")),
            sent.proof() == Loading.Proof.DIFFERS);
      }
      case Loading.Outcome.Cancelled off -> no(off.bytes(), "Cancelled. " + left(off.left()));
      case Loading.Outcome.Failed failed ->
          no(failed.bytes(), WORDS.say(failed.why()) + " " + left(failed.left()));
    };
  }

  private static String left(ChipLeft left) {
    return WORDS.say(left.phrase());
  }

  private static String told(Loading.Proof proof) {
    return switch (proof) {
      case READ_BACK -> "read back, the same.";
      case DIFFERS -> "read back, not the same.";
      case BLOCKS -> "every block confirmed. Nothing was read back: the protocol cannot.";
      case COMMAND -> "by a command that says it worked. Nothing was read back here.";
      case TAKEN -> "and the drive went away: the board has taken it.";
    };
  }

  private byte[] asItIs() {
    try {
      return InputFile.bytes(
          Objects.requireNonNull(image), ImageFile.MOST_BYTES, ReadingBudget.usual());
    } catch (IOException e) {
      throw new BadInput(image + ": " + InputFile.reason(e));
    }
  }

  private Answer byCommand(String template) {
    OwnProgrammer command =
        OwnProgrammer.of(template)
            .orElseThrow(() -> new BadInput("--command: a quote is open, or there is no word."));
    Optional<OwnProgrammer> reading =
        ownRead == null
            ? Optional.empty()
            : Optional.of(
                OwnProgrammer.of(ownRead)
                    .filter(read -> read.names("out"))
                    .orElseThrow(
                        () -> new BadInput("--read-command: it has to write into {out}.")));
    Path file = Objects.requireNonNull(image).toAbsolutePath();
    Map<String, String> values = Map.of("file", file.toString(), "port", port == null ? "" : port);
    Answer ran = ran(command.run(values, System.err::print, () -> false));
    return ran.no() || reading.isEmpty() ? ran : compared(reading.get(), values);
  }

  private Answer ran(OwnProgrammer.Outcome outcome) {
    return switch (outcome) {
      case OwnProgrammer.Outcome.Ended ended ->
          ended.status() == 0
              ? new Answer(
                  yes(length(), false, 0),
                  List.of("The command says that it worked. Nothing was read back here."),
                  false)
              : no(0, WORDS.say(Phrase.of("own.failed", Integer.toString(ended.status()))));
      case OwnProgrammer.Outcome.Cancelled cancelled -> no(0, "Cancelled.");
      case OwnProgrammer.Outcome.Failed failed -> no(0, WORDS.say(failed.why()));
    };
  }

  private long length() {
    return Images.read(Objects.requireNonNull(image), known(null)).image().length();
  }

  /** What the chip holds, read by the maker's own command, has to hold all of the image. */
  private Answer compared(OwnProgrammer reading, Map<String, String> values) {
    try {
      Path out = Files.createTempFile("humble-read", ".hex");
      try {
        Map<String, String> more = new java.util.HashMap<>(values);
        more.put("out", out.toString());
        Answer ran = ran(reading.run(more, System.err::print, () -> false));
        if (ran.no()) {
          return ran;
        }
        ProgramImage meant = Images.read(Objects.requireNonNull(image), known(null)).image();
        boolean same =
            ImageDiff.of(meant, Images.read(out).image()).stream()
                .allMatch(range -> range.kind() == ImageDiff.Kind.ONLY_B);
        return new Answer(
            yes(meant.length(), same, 0),
            List.of(same ? "Read back, the same." : "Read back, not the same."),
            !same);
      } finally {
        Files.deleteIfExists(out);
      }
    } catch (IOException e) {
      return no(0, String.valueOf(e.getMessage()));
    }
  }

  private static void progress(double share) {
    System.err.printf(Locale.ROOT, "\r%3.0f %%%s", 100 * share, share >= 1 ? "\n" : "");
  }

  private double seconds() {
    return (System.nanoTime() - begun) / 1e9;
  }

  private Map<String, @Nullable Object> yes(long sent, boolean verified, int retries) {
    return Answer.object(
        "sent", sent, "verified", verified, "seconds", seconds(), "retries", retries);
  }

  private Answer no(long sent, String why) {
    return new Answer(
        Answer.object(
            "sent", sent, "verified", false, "seconds", seconds(), "retries", 0, "why", why),
        List.of(why),
        true);
  }
}
