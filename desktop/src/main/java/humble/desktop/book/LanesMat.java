package humble.desktop.book;

import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.StageId;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Evenings as lanes: in each, the acts in their order, stage by stage; the last things that
 * happened below.
 */
record LanesMat(String title, List<Mark> marks, ZoneId zone, Words words) implements Mat {
  private static final int LAST = 16;

  /** One act. */
  record Mark(Instant at, StageId stage, String text, boolean wrong) {}

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
      lane(pen, day.getKey(), day.getValue(), 30, y, w - 60);
      y += 92;
    }
    last(pen, 20, y + 14, w - 40, h - y - 34);
  }

  private void lane(Pen pen, LocalDate day, List<Mark> acts, double x, double y, double w) {
    pen.bold(day.toString(), x, y + 4, 16, Token.INK, Pen.Hang.LEFT);
    double line = y + 42;
    pen.line(x, line, x + w, line, Token.COPPER_PALE, 6);
    double step = w / Math.max(1, acts.size());
    StageId before = null;
    double labelEnd = x - 10;
    for (int i = 0; i < acts.size(); i++) {
      Mark mark = acts.get(i);
      double px = x + (i + 0.5) * step;
      if (mark.wrong()) {
        pen.diamond(px, line, 8, Token.ALARM);
      } else {
        pen.disc(px, line, Math.clamp(step * 0.36, 2.5, 7), Token.COPPER, null, 0);
      }
      if (mark.stage() != before) {
        pen.line(px - step / 2, line - 12, px - step / 2, line + 12, Token.INK, 1.5);
        String label = words.say(mark.stage().key());
        double start = Math.max(px - step / 2 + 4, labelEnd + 10);
        if (start < x + (endOfRun(acts, i) + 1) * step) {
          pen.text(label, start, line + 24, 13, Token.INK, Pen.Hang.LEFT);
          labelEnd = start + Pen.width(label, 13, false);
        }
        before = mark.stage();
      }
    }
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
