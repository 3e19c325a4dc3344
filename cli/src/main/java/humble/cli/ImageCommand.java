package humble.cli;

import humble.core.firmware.ImageCheck;
import humble.core.firmware.ImageProblem;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.words.Words;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Looks at program images. */
@Command(
    name = "image",
    description = "Look at program images.",
    mixinStandardHelpOptions = true,
    subcommands = {ImageCommand.Info.class, ImageCommand.Check.class})
final class ImageCommand {
  /** Says what is in an image. */
  @Command(name = "info", description = "Say what is in an image.")
  static final class Info extends humble.cli.Command {
    @Parameters(paramLabel = "FILE")
    @Nullable Path file;

    @Override
    Answer answer() {
      ProgramImage image = Images.read(Objects.requireNonNull(file));
      List<Object> segments = new ArrayList<>();
      List<String> text = new ArrayList<>(List.of("Intel HEX, " + image.length() + " bytes"));
      for (ProgramImage.Segment segment : image.segments()) {
        segments.add(
            Answer.object("from", segment.from(), "to", segment.to(), "bytes", segment.length()));
        text.add(
            "  "
                + ImageCheck.hex(segment.from())
                + " to "
                + ImageCheck.hex(segment.to())
                + ", "
                + segment.length()
                + " bytes");
      }
      return new Answer(
          Answer.object(
              "format",
              "intel-hex",
              "bytes",
              image.length(),
              "segments",
              segments,
              "entry",
              image.entry(),
              "crc32",
              image.crc32(),
              "sha256",
              image.sha256(),
              "blank",
              image.blank()),
          text,
          false);
    }
  }

  /** Checks an image against a target. */
  @Command(name = "check", description = "Check whether an image fits its target.")
  static final class Check extends humble.cli.Command {
    @Parameters(paramLabel = "FILE")
    @Nullable Path file;

    @Option(names = "--kit", required = true, paramLabel = "KIT")
    @Nullable Path kit;

    @Option(names = "--target", required = true, paramLabel = "ID")
    String target = "";

    @Override
    Answer answer() {
      Firmware.Target found =
          kit(Objects.requireNonNull(kit))
              .firmware()
              .target(target)
              .orElseThrow(() -> new BadInput("--target: the kit has no target '" + target + "'."));
      List<ImageProblem> problems = ImageCheck.of(Images.read(Objects.requireNonNull(file)), found);
      return new Answer(
          Answer.object(
              "problems",
              problems.stream()
                  .map(p ->
                      Answer.object(
                          "kind",
                          p.kind().text(),
                          "from",
                          p.from(),
                          "to",
                          p.to(),
                          "text",
                          Words.core(Locale.ENGLISH).say(p.phrase())))
                  .toList()),
          problems.isEmpty()
              ? List.of("It fits.")
              : problems.stream().map(p -> Words.core(Locale.ENGLISH).say(p.phrase())).toList(),
          !problems.isEmpty());
    }
  }
}
