package humble.core.firmware;

import humble.core.kit.Firmware;
import humble.core.kit.Parts;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** Whether an image fits its target's memory. */
public final class ImageCheck {
  private ImageCheck() {}

  /**
   * Gives everything that stands against loading {@code image} into {@code target}, in address
   * order of its kinds.
   */
  public static List<ImageProblem> of(ProgramImage image, Firmware.Target target) {
    List<ImageProblem> problems = new ArrayList<>();
    for (ProgramImage.Segment segment : image.segments()) {
      outside(segment, target, problems);
      for (Firmware.Region boot : target.boot()) {
        long from = Math.max(boot.from(), segment.from());
        long to = Math.min(boot.to(), segment.to());
        if (from <= to) {
          problems.add(new ImageProblem(ImageProblem.Kind.BOOT, from, to));
        }
      }
    }
    for (ProgramImage.Overlap overlap : image.overlaps()) {
      problems.add(new ImageProblem(ImageProblem.Kind.OVERLAP, overlap.from(), overlap.to()));
    }
    if (image.blank()) {
      long to = image.segments().isEmpty() ? 0 : image.segments().getLast().to();
      problems.add(new ImageProblem(ImageProblem.Kind.BLANK, 0, to));
    }
    Long vector = target.vectorAt();
    if (vector != null && image.at(vector).isEmpty()) {
      problems.add(new ImageProblem(ImageProblem.Kind.VECTOR, vector, vector));
    }
    return List.copyOf(problems);
  }

  /**
   * Gives what stands against loading an image that says which families of chips it is for, and
   * what its bytes would set the chip up to do on this board.
   */
  public static List<ImageProblem> of(
      ProgramImage image, List<Long> families, Firmware.Target target, Parts parts) {
    List<ImageProblem> problems = new ArrayList<>(of(image, target));
    Long family = target.uf2Family();
    if (family != null && !families.isEmpty() && !families.contains(family)) {
      problems.add(
          new ImageProblem(
              ImageProblem.Kind.FAMILY,
              first(image),
              last(image),
              List.of(
                  families.stream().map(ImageCheck::family).collect(Collectors.joining(", ")),
                  family(family))));
    }
    problems.addAll(new ConfigCheck(target, parts).of(image));
    return List.copyOf(problems);
  }

  private static long first(ProgramImage image) {
    return image.segments().isEmpty() ? 0 : image.segments().getFirst().from();
  }

  private static long last(ProgramImage image) {
    return image.segments().isEmpty() ? 0 : image.segments().getLast().to();
  }

  private static String family(long family) {
    return String.format(Locale.ROOT, "0x%08x", family);
  }

  /** Walks the segment and gives each stretch that no memory region holds. */
  private static void outside(
      ProgramImage.Segment segment, Firmware.Target target, List<ImageProblem> problems) {
    long at = segment.from();
    while (at <= segment.to()) {
      long here = at;
      Firmware.Region region =
          target.memory().stream().filter(r -> r.holds(here)).findFirst().orElse(null);
      if (region != null) {
        at = region.to() + 1;
        continue;
      }
      long next =
          target.memory().stream()
              .mapToLong(Firmware.Region::from)
              .filter(f -> f > here)
              .min()
              .orElse(Long.MAX_VALUE);
      long to = Math.min(segment.to(), next - 1);
      problems.add(new ImageProblem(ImageProblem.Kind.OUTSIDE, at, to));
      at = to + 1;
    }
  }

  /** Gives an address as makers write it, {@code 0x7e00}. */
  public static String hex(long address) {
    return String.format(Locale.ROOT, "0x%04x", address);
  }
}
