package humble.cli;

import humble.core.firmware.Crc;
import humble.core.firmware.ImageCheck;
import humble.core.firmware.ImageDiff;
import humble.core.firmware.ImageEdit;
import humble.core.firmware.ImageProblem;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.kit.Parts;
import humble.core.words.Words;
import humble.formats.image.ImageFile;
import humble.formats.image.ImageRead;
import humble.formats.image.ImageWriter;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Looks at program images, and makes others of them. */
@Command(
    name = "image",
    description = "Look at program images, and make others of them.",
    mixinStandardHelpOptions = true,
    subcommands = {
      ImageCommand.Info.class,
      ImageCommand.Check.class,
      ImageCommand.Diff.class,
      ImageCommand.Convert.class,
      ImageCommand.Merge.class,
      ImageCommand.Cut.class,
      ImageCommand.Patch.class,
      ImageToggle.class
    })
final class ImageCommand {
  private static final long LAST_ADDRESS = 0xffff_ffffL;

  private ImageCommand() {}

  /** What a raw file does not say of itself. */
  static final class RawBase {
    @Option(
        names = "--base",
        paramLabel = "ADDR",
        description = "The address of the first byte of a raw file.")
    @Nullable String base;

    ImageFile.Known known(@Nullable Long family) {
      return new ImageFile.Known(
          base == null ? null : Images.number("--base", base, LAST_ADDRESS), family);
    }
  }

  /** Where an image is written, and what its format needs to know. */
  static final class Written {
    @Option(
        names = {"-o", "--output"},
        required = true,
        paramLabel = "FILE",
        description =
            "The file to write; its ending says the format: .hex .s19 .s28 .s37 .uf2 .bin.")
    @Nullable Path file;

    @Option(
        names = "--fill",
        paramLabel = "BYTE",
        description = "What stands in the gaps of a raw file (default: ${DEFAULT-VALUE}).")
    String fill = "0xff";

    @Option(names = "--family", paramLabel = "ID", description = "The family of a UF2 file.")
    @Nullable String family;

    Answer write(ProgramImage image) {
      return Images.write(
          Objects.requireNonNull(file),
          image,
          new ImageWriter.As((int) Images.number("--fill", fill, 0xff), family()));
    }

    @Nullable Long family() {
      return family == null ? null : Images.number("--family", family, LAST_ADDRESS);
    }
  }

  /** Says what is in an image. */
  @Command(name = "info", description = "Say what is in an image.")
  static final class Info extends humble.cli.Command {
    @Parameters(paramLabel = "FILE")
    @Nullable Path file;

    @Mixin RawBase raw = new RawBase();

    @Override
    Answer answer() {
      return Images.info(Images.read(Objects.requireNonNull(file), raw.known(null)));
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

    @Mixin RawBase raw = new RawBase();

    @Override
    Answer answer() {
      Parts parts = parts(Objects.requireNonNull(kit));
      Firmware.Target found =
          parts
              .kit()
              .firmware()
              .target(target)
              .orElseThrow(() -> new BadInput("--target: the kit has no target '" + target + "'."));
      ImageRead.Image read =
          Images.read(Objects.requireNonNull(file), raw.known(found.uf2Family()));
      List<ImageProblem> problems = ImageCheck.of(read.image(), read.families(), found, parts);
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

  /** Compares two images. */
  @Command(name = "diff", description = "Say where two images are not the same.")
  static final class Diff extends humble.cli.Command {
    private static final int MOST_TOLD = 40;

    @Parameters(index = "0", paramLabel = "A")
    @Nullable Path first;

    @Parameters(index = "1", paramLabel = "B")
    @Nullable Path second;

    @Mixin RawBase raw = new RawBase();

    @Override
    Answer answer() {
      ImageFile.Known known = raw.known(null);
      List<ImageDiff.Range> ranges =
          ImageDiff.of(
              Images.read(Objects.requireNonNull(first), known).image(),
              Images.read(Objects.requireNonNull(second), known).image());
      return new Answer(
          Answer.object(
              "same",
              ranges.isEmpty(),
              "ranges",
              ranges.stream()
                  .map(range ->
                      Answer.object(
                          "from", range.from(), "to", range.to(), "kind", range.kind().text()))
                  .toList()),
          ranges.isEmpty()
              ? List.of("The same.")
              : ranges.stream().limit(MOST_TOLD).map(Diff::told).toList(),
          !ranges.isEmpty());
    }

    private static String told(ImageDiff.Range range) {
      return ImageCheck.hex(range.from())
          + " to "
          + ImageCheck.hex(range.to())
          + "  "
          + range.kind().text();
    }
  }

  /** Writes an image in another format. */
  @Command(name = "convert", description = "Write an image in another format.")
  static final class Convert extends humble.cli.Command {
    @Parameters(paramLabel = "FILE")
    @Nullable Path file;

    @Mixin RawBase raw = new RawBase();
    @Mixin Written written = new Written();

    @Override
    Answer answer() {
      return written.write(Images.read(Objects.requireNonNull(file), raw.known(null)).image());
    }
  }

  /** Puts two images into one file. */
  @Command(name = "merge", description = "Put two images into one.")
  static final class Merge extends humble.cli.Command {
    @Parameters(index = "0", paramLabel = "A")
    @Nullable Path first;

    @Parameters(index = "1", paramLabel = "B")
    @Nullable Path second;

    @Mixin Written written = new Written();

    @Override
    Answer answer() {
      ProgramImage a = Images.read(Objects.requireNonNull(first)).image();
      ProgramImage b = Images.read(Objects.requireNonNull(second)).image();
      try {
        return written.write(ImageEdit.merge(a, b));
      } catch (ImageEdit.Clash clash) {
        throw new BadInput(
            clash.ranges().stream()
                .map(range ->
                    "Both define "
                        + ImageCheck.hex(range.from())
                        + " to "
                        + ImageCheck.hex(range.to())
                        + ", with other bytes.")
                .toList());
      }
    }
  }

  /** Writes a piece of an image. */
  @Command(name = "cut", description = "Write a piece of an image.")
  static final class Cut extends humble.cli.Command {
    @Parameters(paramLabel = "FILE")
    @Nullable Path file;

    @Option(names = "--from", required = true, paramLabel = "ADDR")
    String from = "";

    @Option(names = "--to", required = true, paramLabel = "ADDR", description = "Included.")
    String to = "";

    @Mixin RawBase raw = new RawBase();
    @Mixin Written written = new Written();

    @Override
    Answer answer() {
      long first = Images.number("--from", from, LAST_ADDRESS);
      long last = Images.number("--to", to, LAST_ADDRESS);
      if (last < first) {
        throw new BadInput("--to: " + to + " is below --from, " + from + ".");
      }
      return written.write(
          ImageEdit.cut(
              Images.read(Objects.requireNonNull(file), raw.known(null)).image(), first, last));
    }
  }

  /** Writes an image with other bytes in it, and their check number. */
  @Command(
      name = "patch",
      description = "Write an image with other bytes in it, and the check number of a record.")
  static final class Patch extends humble.cli.Command {
    @Parameters(paramLabel = "FILE")
    @Nullable Path file;

    @Option(names = "--at", required = true, paramLabel = "ADDR")
    String at = "";

    @Option(
        names = "--hex",
        required = true,
        paramLabel = "BYTES",
        description = "Pairs of hexadecimal digits; blanks may stand between them.")
    String hex = "";

    @Option(
        names = "--crc-at",
        paramLabel = "ADDR",
        description = "Where the check number of the record is written, low byte first.")
    @Nullable String crcAt;

    @Option(
        names = "--crc",
        paramLabel = "NAME",
        description = "Which check number (default: ${DEFAULT-VALUE}).")
    String crc = "crc32";

    @Option(
        names = "--crc-from",
        paramLabel = "ADDR",
        description = "First byte of the record (default: the first that is patched).")
    @Nullable String crcFrom;

    @Option(
        names = "--crc-to",
        paramLabel = "ADDR",
        description = "Last byte of the record (default: the last that is patched).")
    @Nullable String crcTo;

    @Option(names = "--crc-high-first", description = "Write the number high byte first.")
    boolean highFirst;

    @Mixin RawBase raw = new RawBase();
    @Mixin Written written = new Written();

    @Override
    Answer answer() {
      long address = Images.number("--at", at, LAST_ADDRESS);
      byte[] bytes = bytes(address);
      ProgramImage image =
          ImageEdit.patch(
              Images.read(Objects.requireNonNull(file), raw.known(null)).image(), address, bytes);
      if (crcAt != null) {
        image = checked(image, address, bytes.length);
      } else if (crcFrom != null || crcTo != null) {
        throw new BadInput("--crc-from and --crc-to need --crc-at.");
      }
      return written.write(image);
    }

    private byte[] bytes(long address) {
      try {
        byte[] bytes = HexFormat.of().parseHex(hex.replaceAll("\\s", ""));
        if (bytes.length > 0 && address + bytes.length - 1 <= LAST_ADDRESS) {
          return bytes;
        }
      } catch (IllegalArgumentException e) {
        // Told below.
      }
      throw new BadInput("--hex: '" + hex + "' is no row of bytes that has room at " + at + ".");
    }

    private ProgramImage checked(ProgramImage image, long address, int length) {
      Crc kind =
          Crc.named(crc)
              .orElseThrow(() ->
                  new BadInput(
                      "--crc: '"
                          + crc
                          + "' is none of "
                          + Arrays.stream(Crc.values())
                              .map(Crc::text)
                              .collect(Collectors.joining(" "))
                          + "."));
      long from = crcFrom == null ? address : Images.number("--crc-from", crcFrom, LAST_ADDRESS);
      long to =
          crcTo == null ? address + length - 1 : Images.number("--crc-to", crcTo, LAST_ADDRESS);
      long where = Images.number("--crc-at", crcAt, LAST_ADDRESS - 3);
      boolean whole = from <= to && image.segmentAt(from).filter(run -> run.to() >= to).isPresent();
      if (!whole) {
        throw new BadInput("--crc-from: the image does not define all of the record.");
      }
      byte[] number = kind.stored(ImageEdit.bytes(image, from, to, 0), !highFirst);
      if (where <= to && where + number.length - 1 >= from) {
        throw new BadInput("--crc-at: the check number would lie in the record that it checks.");
      }
      return ImageEdit.patch(image, where, number);
    }
  }
}
