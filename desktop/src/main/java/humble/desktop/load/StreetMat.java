package humble.desktop.load;

import humble.core.firmware.ImageCheck;
import humble.core.kit.Firmware;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;
import java.util.Optional;

/**
 * The street: the target's memory as plots along a road, images as houses, the boot area fenced.
 */
record StreetMat(
    String title,
    Optional<Firmware.Target> target,
    List<House> houses,
    String name,
    double sent,
    Words words)
    implements Mat {
  private static final int PLOTS = 32;

  /** A run of the image. */
  record House(long from, long to) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    if (target.isEmpty()) {
      return;
    }
    List<Firmware.Region> streets = target.get().memory();
    double rowHeight = (h - 70) / Math.max(1, streets.size());
    for (int i = 0; i < streets.size(); i++) {
      street(pen, streets.get(i), 44, 60 + i * rowHeight, w - 88, rowHeight - 20);
    }
  }

  private void street(Pen pen, Firmware.Region region, double x, double y, double w, double h) {
    double road = y + h * 0.66;
    double length = region.to() - region.from() + 1;
    double plot = w / PLOTS;
    pen.bold(region.id(), x, y + 18, 18, Token.INK, Pen.Hang.LEFT);
    pen.text(
        words.say("load.size", (region.to() - region.from() + 1) / 1024),
        x + w,
        y + 18,
        16,
        Token.INK_SOFT,
        Pen.Hang.RIGHT);
    pen.box(x - 10, road, w + 20, 30, 4, Token.LINE, null);
    pen.dashed(x, road + 15, x + w, road + 15, Token.CARD, 2);
    for (int i = 0; i < PLOTS; i++) {
      pen.line(x + i * plot, road, x + i * plot, road - 6, Token.INK_SOFT, 1);
    }
    for (House house : houses) {
      if (region.holds(house.from())) {
        double from = x + (house.from() - region.from()) / length * w;
        double to = x + (Math.min(house.to(), region.to()) + 1 - region.from()) / length * w;
        house(pen, from, Math.max(to, from + 6), road, h * 0.3);
      }
    }
    for (Firmware.Region boot : target.map(Firmware.Target::boot).orElse(List.of())) {
      if (region.holds(boot.from())) {
        fence(
            pen,
            x + (boot.from() - region.from()) / length * w,
            x + (boot.to() + 1 - region.from()) / length * w,
            road,
            h * 0.18);
      }
    }
    pen.mono(ImageCheck.hex(region.from()), x, road + 52, 16, Token.INK, Pen.Hang.LEFT);
    pen.mono(ImageCheck.hex(region.to()), x + w, road + 52, 16, Token.INK, Pen.Hang.RIGHT);
  }

  private void house(Pen pen, double from, double to, double road, double height) {
    double top = road - height;
    pen.box(from, top, to - from, height, 0, Token.CARD, Token.INK);
    if (sent > 0) {
      pen.box(from, road - height * sent, to - from, height * sent, 0, Token.COPPER, Token.INK);
    }
    pen.shape(
        List.of(
            new double[] {from - 6, top},
            new double[] {(from + to) / 2, top - 30},
            new double[] {to + 6, top}),
        sent >= 1 ? Token.COPPER : Token.COPPER_PALE,
        Token.INK);
    pen.bold(name, from, top - 50, 17, Token.INK, Pen.Hang.LEFT);
    if (sent > 0) {
      pen.mono(
          Math.round(sent * 100) + " %",
          to + 18,
          road - height * 0.5,
          22,
          Token.INK,
          Pen.Hang.LEFT);
    }
  }

  private void fence(Pen pen, double from, double to, double road, double height) {
    double width = Math.max(to - from, 14);
    for (double x = from; x <= from + width; x += 6) {
      pen.line(x, road, x, road - height, Token.ALARM, 2);
    }
    pen.line(from - 2, road - height * 0.6, from + width + 2, road - height * 0.6, Token.ALARM, 2);
    pen.bold(
        words.say("load.boot"), from + width, road - height - 16, 15, Token.ALARM, Pen.Hang.RIGHT);
  }

  @Override
  public String spoken() {
    return title + ": " + name;
  }
}
