package humble.cli;

import humble.core.kit.SeenHole;
import humble.core.words.Words;
import humble.photo.Photo;
import humble.photo.PhotoFile;
import humble.photo.PhotoRefused;
import humble.photo.Px;
import humble.photo.Straightening;
import humble.photo.Straightening.Straightened;
import humble.photo.Watch;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import javax.imageio.ImageIO;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Straightens a photo of a bare board and finds its holes. */
@Command(
    name = "straighten",
    description = "Straighten a photo of a bare board, and find its holes.")
final class StraightenCommand extends humble.cli.Command {
  private static final double MOST_MM = 2000;

  @Parameters(paramLabel = "PHOTO", description = "JPEG or PNG.")
  @Nullable Path photo;

  @Option(names = "--width", paramLabel = "MM", required = true, description = "Of the board.")
  double width;

  @Option(names = "--height", paramLabel = "MM", required = true, description = "Of the board.")
  double height;

  @Option(
      names = "--corners",
      paramLabel = "x,y,x,y,x,y,x,y",
      description =
          "Pixels of lower left, lower right, upper right, upper left of the board as printed.")
  @Nullable String corners;

  @Option(names = "-o", paramLabel = "PNG", description = "Where the straightened picture goes.")
  @Nullable Path out;

  @Option(names = "--force", description = "Replace the picture that is there.")
  boolean force;

  @Override
  Answer answer() {
    List<String> bad = new ArrayList<>();
    side("--width", width, bad);
    side("--height", height, bad);
    List<Px> given = corners(bad);
    Path file = Objects.requireNonNull(photo);
    Photo read = null;
    try {
      read = PhotoFile.read(file);
    } catch (PhotoRefused e) {
      bad.add(file + ": " + words(e) + ".");
    }
    if (!bad.isEmpty() || read == null) {
      throw new BadInput(bad);
    }
    Straightened flat;
    try {
      flat =
          given.isEmpty()
              ? Straightening.found(read, width, height, Watch.none())
              : Straightening.given(read, given, width, height, Watch.none());
    } catch (PhotoRefused e) {
      if (!given.isEmpty()) {
        throw new BadInput("--corners: " + words(e) + ".");
      }
      return new Answer(
          Answer.object("corners", List.of(), "fit_mm", null, "holes", List.of(), "said", words(e)),
          List.of(file + ": " + words(e) + "."),
          true);
    }
    write(flat);
    return answer(flat);
  }

  private static String words(PhotoRefused refused) {
    return Words.core(Locale.ENGLISH).say(refused.phrase());
  }

  private static void side(String name, double mm, List<String> bad) {
    if (!(mm > 0 && mm <= MOST_MM)) {
      bad.add(name + ": more than 0 and at most 2000 mm are asked.");
    }
  }

  private List<Px> corners(List<String> bad) {
    if (corners == null) {
      return List.of();
    }
    String[] numbers = corners.split(",", -1);
    List<Px> all = new ArrayList<>();
    try {
      for (int i = 0; i + 1 < numbers.length; i += 2) {
        Px at = new Px(Double.parseDouble(numbers[i]), Double.parseDouble(numbers[i + 1]));
        if (!Double.isFinite(at.x()) || !Double.isFinite(at.y())) {
          throw new NumberFormatException();
        }
        all.add(at);
      }
    } catch (NumberFormatException e) {
      all.clear();
    }
    if (all.size() != 4 || numbers.length != 8) {
      bad.add("--corners: eight numbers are asked, x and y of four corners, with commas.");
    }
    return all;
  }

  private void write(Straightened flat) {
    Path to = out;
    if (to == null) {
      return;
    }
    try {
      ByteArrayOutputStream png = new ByteArrayOutputStream();
      ImageIO.write(flat.picture(), "png", png);
      Written.to(to, force, png.toByteArray());
    } catch (IOException e) {
      throw new BadInput(to + ": " + e.getMessage());
    }
  }

  private static double thousandths(double value) {
    return Math.round(value * 1000) / 1000.0;
  }

  private static Answer answer(Straightened flat) {
    List<Object> at = new ArrayList<>();
    flat.corners().forEach(px -> at.add(List.of(thousandths(px.x()), thousandths(px.y()))));
    List<Object> holes = new ArrayList<>();
    List<String> text = new ArrayList<>();
    text.add(
        flat.fitMm()
            .map(fit -> String.format(Locale.ROOT, "Straightened; the edges fit to %.2f mm.", fit))
            .orElse("Straightened by the corners given; the board's edges were not found there."));
    if (!flat.open().isEmpty()) {
      text.add(
          "Its outline fits as well turned by "
              + String.join("° or ", flat.open().stream().map(String::valueOf).toList())
              + "°: look which corner is the lower left, and give --corners where it is another.");
    }
    text.add(flat.holes().size() + " holes:");
    for (SeenHole hole : flat.holes()) {
      holes.add(
          Answer.object(
              "x_mm", thousandths(hole.at().xMm()),
              "y_mm", thousandths(hole.at().yMm()),
              "diameter_mm", thousandths(hole.diameterMm())));
      text.add(
          String.format(
              Locale.ROOT,
              "%8.2f %8.2f   %.2f wide",
              hole.at().xMm(),
              hole.at().yMm(),
              hole.diameterMm()));
    }
    return new Answer(
        Answer.object(
            "corners", at,
            "fit_mm", flat.fitMm().map(StraightenCommand::thousandths).orElse(null),
            "holes", holes,
            "open_turns_deg", flat.open(),
            "px_per_mm", thousandths(flat.perMm())),
        text,
        false);
  }
}
