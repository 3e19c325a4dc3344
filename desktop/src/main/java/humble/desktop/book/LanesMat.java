package humble.desktop.book;

import humble.core.book.BenchStage;
import humble.core.book.Ledger;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.StageId;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.image.Image;

/**
 * Evenings as lanes: in each, the acts in their order, stage by stage; the last things that
 * happened below.
 */
record LanesMat(
    String title,
    List<Mark> marks,
    Ledger ledger,
    ZoneId zone,
    Function<String, Optional<Image>> prints,
    Words words)
    implements Mat {
  private static final int LAST = 16;
  private static final double PRINT_PX = 26;

  /**
   * One act.
   *
   * @param photo the photo that was kept, by its name; empty for anything else
   */
  record Mark(Instant at, StageId stage, String text, boolean wrong, String photo) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    Map<LocalDate, List<Mark>> days = new LinkedHashMap<>();
    marks.forEach(mark ->
        days.computeIfAbsent(LocalDate.ofInstant(mark.at(), zone), d -> new ArrayList<>())
            .add(mark));
    List<Map.Entry<LocalDate, List<Mark>>> shown = new ArrayList<>(days.entrySet());
    int from = Math.max(0, shown.size() - 3);
    double y = 62;
    for (Map.Entry<LocalDate, List<Mark>> day : shown.subList(from, shown.size())) {
      boolean photos = day.getValue().stream().anyMatch(mark -> !mark.photo().isEmpty());
      lane(pen, day.getKey(), day.getValue(), 30, y, w - 60, photos ? PRINT_PX : 0);
      y += 92 + (photos ? PRINT_PX : 0);
    }
    stages(pen, 30, y + 8, w - 60);
    last(pen, 20, y + 74, w - 40, h - y - 94);
  }

  private String hours(Duration time) {
    return words.say(
        "time.hours", time.toHours(), String.format(Locale.ROOT, "%02d", time.toMinutesPart()));
  }

  /** The hours at the bench as one bar, stage by stage, as wide as each took. */
  private void stages(Pen pen, double x, double y, double w) {
    double all = ledger.bench().toSeconds();
    if (all <= 0) {
      return;
    }
    double at = x;
    double labelEnd = x - 10;
    Token[] shades = {Token.COPPER_PALE, Token.TIN, Token.MASK_PALE};
    int shade = 0;
    for (BenchStage stage : BenchStage.values()) {
      Duration spent = ledger.hours().getOrDefault(stage, Duration.ZERO);
      if (spent.isZero()) {
        continue;
      }
      double wide = w * spent.toSeconds() / all;
      pen.box(at, y, wide, 20, 0, shades[shade % shades.length], Token.INK_SOFT);
      shade++;
      String label = words.say(StageId.valueOf(stage.name()).key()) + " " + hours(spent);
      double width = Pen.width(label, 13, false);
      double start = Math.max(at, labelEnd);
      if (start < at + wide && start + width <= x + w) {
        pen.text(label, start, y + 34, 13, Token.INK, Pen.Hang.LEFT);
        labelEnd = start + width + 12;
      }
      at += wide;
    }
  }

  private void lane(
      Pen pen, LocalDate day, List<Mark> acts, double x, double y, double w, double room) {
    pen.bold(day.toString(), x, y + 4, 16, Token.INK, Pen.Hang.LEFT);
    ledger.evenings().stream()
        .filter(evening -> evening.day().equals(day))
        .findFirst()
        .ifPresent(evening ->
            pen.text(
                words.say("book.evening", hours(evening.bench()), evening.joints(), evening.acts()),
                x + w,
                y + 4,
                15,
                Token.INK_SOFT,
                Pen.Hang.RIGHT));
    double line = y + 42 + room;
    pen.line(x, line, x + w, line, Token.COPPER_PALE, 6);
    double step = w / Math.max(1, acts.size());
    StageId before = null;
    double labelEnd = x - 10;
    for (int i = 0; i < acts.size(); i++) {
      Mark mark = acts.get(i);
      double px = x + (i + 0.5) * step;
      if (!mark.photo().isEmpty()) {
        print(pen, mark.photo(), px, line - 10);
      } else if (mark.wrong()) {
        pen.diamond(px, line, 8, Token.ALARM);
      } else {
        pen.disc(px, line, Math.clamp(step * 0.36, 2.5, 7), Token.COPPER, null, 0);
      }
      if (mark.stage() != before) {
        pen.line(px - step / 2, line - 12, px - step / 2, line + 12, Token.INK, 1.5);
        String label = words.say(mark.stage().key());
        double start = Math.max(px - step / 2 + 4, labelEnd + 10);
        boolean fits = start + Pen.width(label, 13, false) <= x + w;
        if (fits && start < x + (endOfRun(acts, i) + 1) * step) {
          pen.text(label, start, line + 24, 13, Token.INK, Pen.Hang.LEFT);
          labelEnd = start + Pen.width(label, 13, false);
        }
        before = mark.stage();
      }
    }
  }

  /** A small print stands on its step; one that is not there is an empty frame. */
  private void print(Pen pen, String photo, double x, double bottom) {
    Optional<Image> image = prints.apply(photo);
    double high = PRINT_PX;
    double wide =
        image.map(print -> high * print.getWidth() / print.getHeight()).orElse(high * 1.3);
    double left = x - wide / 2;
    pen.line(x, bottom, x, bottom + 10, Token.INK, 1.5);
    pen.box(left - 2, bottom - high - 2, wide + 4, high + 4, 1, Token.CARD, Token.INK);
    image.ifPresent(print -> pen.image(print, left, bottom - high, wide, high));
  }

  /** Gives the index of the last act of the same stage that follows without a break. */
  private static int endOfRun(List<Mark> acts, int from) {
    int end = from;
    while (end + 1 < acts.size() && acts.get(end + 1).stage() == acts.get(from).stage()) {
      end++;
    }
    return end;
  }

  private void last(Pen pen, double x, double y, double w, double h) {
    if (h < 80) {
      return;
    }
    pen.box(x, y, w, h, 8, Token.CARD, Token.LINE);
    pen.text(words.say("book.last"), x + 18, y + 24, 15, Token.INK_SOFT, Pen.Hang.LEFT);
    int rows = Math.min(LAST, (int) ((h - 44) / 32));
    List<Mark> tail = marks.subList(Math.max(0, marks.size() - rows), marks.size());
    for (int i = 0; i < tail.size(); i++) {
      Mark mark = tail.get(i);
      double ty = y + 56 + i * 32;
      if (mark.wrong()) {
        pen.diamond(x + 28, ty, 7, Token.ALARM);
      } else {
        pen.disc(x + 28, ty, 6, Token.COPPER, null, 0);
      }
      pen.text(Pen.fitted(mark.text(), 16, w - 70), x + 48, ty, 16, Token.INK, Pen.Hang.LEFT);
    }
  }

  @Override
  public String spoken() {
    return title + ": " + marks.size();
  }
}
