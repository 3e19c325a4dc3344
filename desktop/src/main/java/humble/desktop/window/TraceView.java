package humble.desktop.window;

import humble.core.words.Words;
import humble.desktop.draw.Palette;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.StageId;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/**
 * The trace along the bottom edge: a track with one pad per stage, filled with solder as work is
 * done.
 */
final class TraceView extends DrawnPane {
  private static final double HEIGHT = 108;

  private final Words words;
  private StageId now = StageId.SHELF;
  private ToDoubleFunction<StageId> share = stage -> 0;
  private Predicate<StageId> empty = stage -> false;
  private boolean gatePassed;

  TraceView(Words words, Palette palette, Consumer<StageId> go) {
    super(palette);
    this.words = words;
    setMinHeight(HEIGHT);
    setMaxHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    setOnMouseClicked(event -> {
      int index = (int) Math.floor(event.getX() / (getWidth() / StageId.values().length));
      go.accept(StageId.values()[Math.clamp(index, 0, StageId.values().length - 1)]);
    });
  }

  void show(
      StageId stage,
      ToDoubleFunction<StageId> done,
      Predicate<StageId> nothing,
      boolean gate,
      Palette colours) {
    now = stage;
    share = done;
    empty = nothing;
    gatePassed = gate;
    setAccessibleText(words.say("trace.spoken", words.say(stage.key())));
    redraw(colours);
  }

  @Override
  void draw(Pen pen, double w, double height) {
    StageId[] stages = StageId.values();
    double step = w / stages.length;
    double y = 48;
    for (int i = 0; i + 1 < stages.length; i++) {
      double x = (i + 0.5) * step;
      pen.line(x, y, x + step, y, Token.COPPER_PALE, 8);
    }
    for (int i = 0; i + 1 < stages.length; i++) {
      double x = (i + 0.5) * step;
      double filled = share.applyAsDouble(stages[i]);
      if (filled > 0 && !empty.test(stages[i])) {
        pen.line(x, y, x + step * Math.min(1, filled), y, Token.COPPER, 8);
      }
    }
    if (!empty.test(StageId.POWER)) {
      gate(pen, StageId.POWER.ordinal() * step, y);
    }
    for (int i = 0; i < stages.length; i++) {
      double x = (i + 0.5) * step;
      boolean here = stages[i] == now;
      double filled = share.applyAsDouble(stages[i]);
      if (empty.test(stages[i]) && !here) {
        // Nothing to do here: neither open nor done.
        pen.box(x - 9, y - 3, 18, 6, 3, Token.COPPER, null);
      } else {
        pen.standing(x, y, here ? 22 : 13, here ? "now" : filled >= 1 ? "done" : "todo");
      }
      pen.text("F" + (i + 1), x, 14, 12, Token.INK_SOFT, Pen.Hang.MIDDLE);
      if (here) {
        pen.bold(words.say(stages[i].key()), x, 88, 17, Token.INK, Pen.Hang.MIDDLE);
      } else {
        pen.text(words.say(stages[i].key()), x, 86, 15, Token.INK_SOFT, Pen.Hang.MIDDLE);
      }
    }
  }

  private void gate(Pen pen, double x, double y) {
    pen.octagon(x, y, 11, gatePassed ? Token.COPPER : Token.CARD, Token.INK);
  }
}
