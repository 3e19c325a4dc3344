package humble.cli;

import humble.bench.PracticeBench;
import humble.bench.Transfer;
import humble.core.firmware.ImageCheck;
import humble.core.firmware.ImageProblem;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.kit.Parts;
import humble.core.words.Words;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Loads an image into a simulated board. */
@Command(name = "load", description = "Send an image to a board and read it back.")
final class LoadCommand extends humble.cli.Command {
  private static final Words WORDS = Words.core(Locale.ENGLISH);

  @Parameters(paramLabel = "IMAGE")
  @Nullable Path image;

  @Option(
      names = "--port",
      required = true,
      paramLabel = "sim:TARGET",
      description = "sim: and a target of the kit, a simulated board.")
  String port = "";

  @Option(
      names = "--kit",
      required = true,
      paramLabel = "KIT",
      description = "The kit the target belongs to.")
  @Nullable Path kit;

  @Option(
      names = "--verify",
      description = "Verify by reading back; always done, kept for scripts.")
  boolean verify;

  @Override
  Answer answer() {
    if (!port.startsWith("sim:")) {
      throw new BadInput(
          "--port: this version loads simulated boards, sim:TARGET; '" + port + "' is none.");
    }
    Parts parts = parts(Objects.requireNonNull(kit));
    Firmware.Target target =
        parts
            .kit()
            .firmware()
            .target(port.substring(4))
            .orElseThrow(
                () -> new BadInput("--port: the kit has no target '" + port.substring(4) + "'."));
    ProgramImage program = Images.read(Objects.requireNonNull(image)).image();
    List<ImageProblem> problems = ImageCheck.of(program, target);
    if (!problems.isEmpty()) {
      throw new BadInput(problems.stream().map(p -> image + ": " + WORDS.say(p.phrase())).toList());
    }
    long begun = System.nanoTime();
    Transfer.Outcome outcome =
        new Transfer(new PracticeBench(parts, 0, List.of()).link(target), target)
            .send(program, share -> {}, () -> false);
    double seconds = (System.nanoTime() - begun) / 1e9;
    return switch (outcome) {
      case Transfer.Outcome.Sent sent ->
          new Answer(
              Answer.object(
                  "sent",
                  sent.bytes(),
                  "verified",
                  sent.verified(),
                  "seconds",
                  seconds,
                  "retries",
                  sent.retries(),
                  "simulated",
                  true),
              List.of(
                  sent.bytes()
                      + " bytes sent to a simulated board, "
                      + (sent.verified() ? "read back, the same." : "read back, not the same.")),
              !sent.verified());
      case Transfer.Outcome.Cancelled cancelled -> no(cancelled.bytes(), seconds, "Cancelled.");
      case Transfer.Outcome.Failed failed -> no(failed.bytes(), seconds, WORDS.say(failed.why()));
    };
  }

  private static Answer no(long sent, double seconds, String why) {
    return new Answer(
        Answer.object(
            "sent", sent, "verified", false, "seconds", seconds, "retries", 0, "why", why),
        List.of(why),
        true);
  }
}
