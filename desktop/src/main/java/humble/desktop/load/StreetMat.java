package humble.desktop.load;

import humble.core.firmware.ImageCheck;
import humble.core.firmware.ProgramImage;
import humble.core.kit.Firmware;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The street: above, the stretch that the image takes, every page a house, closed by its roof when
 * it is sent; below, the whole memory to scale with what is in it, the boot area fenced.
 */
record StreetMat(
    String title,
    Optional<Firmware.Target> target,
    List<House> houses,
    List<House> inChip,
    String name,
    double sent,
    Words words)
    implements Mat {
  private static final int MOST_HOUSES = 40;
  private static final double LEAST_HEIGHT = 0.35;

  /** A run of an image. */
  record House(long from, long to) {}

  static StreetMat of(LoadBench bench, Optional<ImageOnBench> image, double sent) {
    List<House> inChip = new ArrayList<>();
    for (ImageOnBench other : bench.all()) {
      boolean same =
          image.isPresent() && other.image().target().equals(image.get().image().target());
      if (same && bench.open().build().loaded().containsKey(other.image().id())) {
        inChip.addAll(runs(other));
      }
    }
    Words words = bench.seat().words();
    return new StreetMat(
        words.say(image.isEmpty() ? "load.mat.nothing" : "load.mat"),
        image.map(ImageOnBench::target),
        image.map(StreetMat::runs).orElse(List.of()),
        inChip,
        image.map(each -> each.image().title()).orElse(""),
        sent,
        words);
  }

  private static List<House> runs(ImageOnBench image) {
    ProgramImage program = image.program();
    return program == null
        ? List.of()
        : program.segments().stream().map(run -> new House(run.from(), run.to())).toList();
  }

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    if (target.isEmpty()) {
      return;
    }
    Firmware.Target chip = target.get();
    double left = 44;
    double width = w - 2 * left;
    double large = h * 0.62 - 40;
    magnified(pen, chip, left, 56, width, large);
    List<Firmware.Region> streets = chip.memory();
    double row = (h * 0.38 - 34) / Math.max(1, streets.size());
    for (int i = 0; i < streets.size(); i++) {
      whole(pen, chip, streets.get(i), left, h * 0.62 + 34 + i * row, width, row);
    }
  }

  /** The stretch that is drawn large: from the first page to the last of the first run's region. */
  private Optional<House> stretch(Firmware.Target chip) {
    if (houses.isEmpty()) {
      return Optional.empty();
    }
    long first = houses.getFirst().from();
    Firmware.Region region =
        chip.memory().stream().filter(r -> r.holds(first)).findFirst().orElse(null);
    long last =
        houses.stream()
            .filter(house -> region == null || region.holds(house.from()))
            .mapToLong(House::to)
            .max()
            .orElse(first);
    int page = chip.pageBytes();
    return Optional.of(new House(first - first % page, last - last % page + page - 1));
  }

  private void magnified(Pen pen, Firmware.Target chip, double x, double y, double w, double h) {
    House all = stretch(chip).orElse(null);
    if (all == null) {
      return;
    }
    long pages = (all.to() - all.from() + 1) / chip.pageBytes();
    long each = Math.max(1, (pages + MOST_HOUSES - 1) / MOST_HOUSES);
    int count = (int) ((pages + each - 1) / each);
    double lot = w / count;
    double road = y + h - 34;
    double tallest = h - 96;
    double closed = sent * count;
    pen.bold(name, x, y + 8, 20, Token.INK, Pen.Hang.LEFT);
    pen.text(
        words.say("load.lots", pages, chip.pageBytes()),
        x + w,
        y + 8,
        15,
        Token.INK_SOFT,
        Pen.Hang.RIGHT);
    for (int i = 0; i < count; i++) {
      long from = all.from() + i * each * chip.pageBytes();
      long to = Math.min(all.to(), from + each * chip.pageBytes() - 1);
      double full = filled(from, to);
      if (full > 0) {
        double tall = tallest * (LEAST_HEIGHT + (1 - LEAST_HEIGHT) * full);
        house(pen, x + i * lot, lot, road, tall, i + 1 <= closed + 1e-9, i < closed);
      }
    }
    pen.box(x - 10, road, w + 20, 10, 3, Token.LINE, null);
    pen.mono(ImageCheck.hex(all.from()), x, road + 26, 15, Token.INK, Pen.Hang.LEFT);
    pen.mono(ImageCheck.hex(all.to()), x + w, road + 26, 15, Token.INK, Pen.Hang.RIGHT);
    if (sent > 0 && sent < 1) {
      pen.mono(Math.round(sent * 100) + " %", x + w / 2, road + 26, 18, Token.INK, Pen.Hang.MIDDLE);
    }
  }

  private double filled(long from, long to) {
    long bytes =
        houses.stream()
            .mapToLong(
                house -> Math.max(0, Math.min(to, house.to()) - Math.max(from, house.from()) + 1))
            .sum();
    return bytes / (double) (to - from + 1);
  }

  /** A page that is sent has its roof; one that is being sent has its walls. */
  private static void house(
      Pen pen, double x, double lot, double road, double tall, boolean roofed, boolean begun) {
    double gap = Math.min(4, lot * 0.12);
    double width = lot - 2 * gap;
    double roof = Math.min(22, lot * 0.5);
    pen.box(
        x + gap, road - tall, width, tall, 0, begun ? Token.COPPER_PALE : Token.CARD, Token.INK);
    if (roofed) {
      pen.shape(
          List.of(
              new double[] {x + gap - 2, road - tall},
              new double[] {x + lot / 2, road - tall - roof},
              new double[] {x + gap + width + 2, road - tall}),
          Token.COPPER,
          Token.INK);
    }
    double pane = Math.min(width * 0.4, 12);
    pen.box(
        x + lot / 2 - pane / 2,
        road - tall + Math.min(10, tall * 0.2),
        pane,
        Math.min(pane * 1.2, tall * 0.3),
        0,
        roofed ? Token.COPPER : Token.FIELD,
        Token.INK_SOFT);
  }

  private void whole(
      Pen pen,
      Firmware.Target chip,
      Firmware.Region region,
      double x,
      double y,
      double w,
      double h) {
    double size = region.to() - region.from() + 1.0;
    double road = y + h - 16;
    double tall = Math.clamp((road - y - 28) / 1.25, 8, 80);
    pen.bold(region.id(), x, y + 10, 17, Token.INK, Pen.Hang.LEFT);
    pen.mono(
        ImageCheck.hex(region.from()) + " … " + ImageCheck.hex(region.to()),
        x + 90,
        y + 10,
        15,
        Token.INK,
        Pen.Hang.LEFT);
    boolean fenced = chip.boot().stream().anyMatch(boot -> region.holds(boot.from()));
    if (fenced) {
      pen.bold(words.say("load.boot"), x + w - 90, y + 10, 15, Token.ALARM, Pen.Hang.RIGHT);
    }
    pen.text(
        size >= 1024
            ? words.say("load.size", Math.round(size / 1024))
            : words.say("load.size.bytes", Math.round(size)),
        x + w,
        y + 10,
        15,
        Token.INK_SOFT,
        Pen.Hang.RIGHT);
    blocks(pen, region, inChip, x, w, road, tall * 1.25, Token.LINE);
    blocks(pen, region, houses, x, w, road, tall, sent >= 1 ? Token.COPPER : Token.COPPER_PALE);
    for (Firmware.Region boot : chip.boot()) {
      if (region.holds(boot.from())) {
        fence(
            pen,
            x + (boot.from() - region.from()) / size * w,
            x + (boot.to() + 1 - region.from()) / size * w,
            road,
            tall);
      }
    }
    stretch(chip)
        .filter(all -> region.holds(all.from()))
        .ifPresent(all -> {
          double from = x + (all.from() - region.from()) / size * w;
          double to = x + (Math.min(all.to(), region.to()) + 1 - region.from()) / size * w;
          // Beside the words of the row, which they would strike through.
          double down = y + 22;
          pen.dashed(from, road - tall, from, down, Token.INK_SOFT, 1);
          pen.dashed(from, down, x - 10, down, Token.INK_SOFT, 1);
          pen.dashed(x - 10, down, x - 10, y - 22, Token.INK_SOFT, 1);
          pen.dashed(to, road - tall, to, down, Token.INK_SOFT, 1);
          pen.dashed(to, down, x + w + 10, down, Token.INK_SOFT, 1);
          pen.dashed(x + w + 10, down, x + w + 10, y - 22, Token.INK_SOFT, 1);
        });
    pen.box(x - 10, road, w + 20, 8, 3, Token.LINE, null);
  }

  private static void blocks(
      Pen pen,
      Firmware.Region region,
      List<House> all,
      double x,
      double w,
      double road,
      double tall,
      Token fill) {
    double size = region.to() - region.from() + 1.0;
    for (House house : all) {
      if (region.holds(house.from())) {
        double from = x + (house.from() - region.from()) / size * w;
        double to = x + (Math.min(house.to(), region.to()) + 1 - region.from()) / size * w;
        pen.box(from, road - tall, Math.max(to - from, 4), tall, 0, fill, Token.INK);
      }
    }
  }

  private static void fence(Pen pen, double from, double to, double road, double height) {
    double width = Math.max(to - from, 14);
    for (double x = from; x <= from + width; x += 6) {
      pen.line(x, road, x, road - height, Token.ALARM, 2);
    }
    pen.line(from - 2, road - height * 0.6, from + width + 2, road - height * 0.6, Token.ALARM, 2);
  }

  @Override
  public String spoken() {
    return title + ": " + name;
  }
}
