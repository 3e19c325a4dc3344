package humble.desktop.wake;

import humble.core.kit.Peripheral;
import humble.core.wake.DisplaySetting;
import humble.core.wake.Pose;
import humble.core.words.Words;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How the figure looks on the practice bench, and the pictures that it may look like.
 *
 * @param shown how the simulated display shows it, if one does
 * @param choices what it may look like, by number from 1; none when it is not asked
 * @param picked the number that was picked, 0 for none
 */
record DisplayPicture(
    Peripheral.Display display,
    Optional<DisplaySetting.Seen> shown,
    List<Choice> choices,
    int picked,
    Words words)
    implements Waking.Picture {
  private static final double LINE_PX = 15;

  /** How the colours come out. */
  record Colours(boolean swapped, boolean inverted) {
    static final Colours PLAIN = new Colours(false, false);

    /** Gives every way, the right one first. */
    static List<Colours> of(boolean colour) {
      return colour
          ? List.of(
              PLAIN, new Colours(true, false), new Colours(false, true), new Colours(true, true))
          : List.of(PLAIN, new Colours(false, true));
    }

    /** Gives the end of the key of its words. */
    String text(boolean colour) {
      return (colour ? swapped ? "swapped" : "plain" : "two") + (inverted ? "-inverted" : "");
    }
  }

  /** A picture to choose, with one or two lines of words below it. */
  private record Choice(Pose pose, Colours colours, List<String> lines) {}

  static DisplayPicture poses(
      Peripheral.Display display, Optional<DisplaySetting.Seen> shown, int picked, Words words) {
    List<Choice> choices = new ArrayList<>();
    for (Pose pose : Pose.all()) {
      choices.add(
          new Choice(
              pose,
              Colours.PLAIN,
              List.of(
                  words.say("wake.boat.keel." + BoatFigure.keel(pose)),
                  words.say("wake.boat.sail." + BoatFigure.sail(pose)))));
    }
    return new DisplayPicture(display, shown, choices, picked, words);
  }

  static DisplayPicture colours(
      Peripheral.Display display, Optional<DisplaySetting.Seen> shown, int picked, Words words) {
    List<Choice> choices = new ArrayList<>();
    for (Colours colours : Colours.of(display.colour())) {
      String key = "wake.display.look." + colours.text(display.colour());
      choices.add(
          new Choice(
              Pose.UPRIGHT,
              colours,
              List.of(words.say(key + ".boat"), words.say(key + ".ground"))));
    }
    return new DisplayPicture(display, shown, choices, picked, words);
  }

  static DisplayPicture frame(
      Peripheral.Display display, Optional<DisplaySetting.Seen> shown, Words words) {
    return new DisplayPicture(display, shown, List.of(), 0, words);
  }

  @Override
  public void paint(Pen pen, double x, double y, double w, double h) {
    double upper = shown.isEmpty() ? 0 : choices.isEmpty() ? h : h * 0.52;
    shown.ifPresent(seen -> glass(pen, seen, x + w / 2, y + (upper - 34) / 2, upper - 34, w));
    if (shown.isPresent()) {
      pen.text(
          words.say("wake.display.legend"),
          x + w / 2,
          y + upper - 14,
          15,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    }
    if (choices.isEmpty()) {
      if (shown.isEmpty()) {
        glass(
            pen,
            new DisplaySetting.Seen(Pose.UPRIGHT, false, false, 0, 0),
            x + w / 2,
            y + (h - 34) / 2,
            (h - 34) * 0.7,
            w);
        pen.text(
            words.say("wake.display.meant"),
            x + w / 2,
            y + h - 14,
            15,
            Token.INK_SOFT,
            Pen.Hang.MIDDLE);
      }
      return;
    }
    pen.box(x, y + upper, w, h - upper, 8, Token.CARD, Token.LINE);
    pen.text(
        words.say("wake.display.choose"),
        x + 18,
        y + upper + 22,
        15,
        Token.INK_SOFT,
        Pen.Hang.LEFT);
    double step = w / choices.size();
    double size = Math.min(Math.min(step - 16, 150), h - upper - 110);
    for (int i = 0; i < choices.size(); i++) {
      choice(pen, i + 1, choices.get(i), x + (i + 0.5) * step, y + upper + 44 + size / 2, size);
    }
  }

  private void choice(Pen pen, int number, Choice choice, double x, double y, double size) {
    if (picked == number) {
      pen.box(x - size / 2 - 6, y - size / 2 - 6, size + 12, size + 12, 6, null, Token.COPPER);
      pen.box(x - size / 2 - 8, y - size / 2 - 8, size + 16, size + 16, 7, null, Token.COPPER);
    }
    pen.box(
        x - size / 2,
        y - size / 2,
        size,
        size,
        4,
        BoatFigure.ground(choice.colours().inverted()),
        Token.INK);
    BoatFigure.paint(pen, choice.pose(), choice.colours(), display.colour(), x, y, size);
    pen.bold(Integer.toString(number), x, y + size / 2 + 18, 18, Token.INK, Pen.Hang.MIDDLE);
    for (int line = 0; line < choice.lines().size(); line++) {
      pen.text(
          choice.lines().get(line),
          x,
          y + size / 2 + 36 + line * LINE_PX,
          12,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    }
  }

  /** The glass as it is, with a frame along its edges that may lie off them. */
  private void glass(
      Pen pen, DisplaySetting.Seen seen, double x, double y, double tall, double most) {
    double scale = Math.min(tall / display.heightPx(), (most - 80) / display.widthPx());
    double w = display.widthPx() * scale;
    double h = display.heightPx() * scale;
    Token ground = BoatFigure.ground(seen.inverted());
    Token ink = BoatFigure.ink(seen.inverted());
    pen.box(x - w / 2 - 8, y - h / 2 - 8, w + 16, h + 16, 6, Token.TIN, Token.INK);
    pen.box(x - w / 2, y - h / 2, w, h, 0, ground, null);
    double dx = seen.shiftXPx() * scale;
    double dy = seen.shiftYPx() * scale;
    double left = x - w / 2 + dx;
    double top = y - h / 2 + dy;
    // What lies beyond the glass is not seen; a line is one pixel wide.
    vertical(pen, left, x, y, w, h, ink, scale);
    vertical(pen, left + w - scale, x, y, w, h, ink, scale);
    horizontal(pen, top, x, y, w, h, ink, scale);
    horizontal(pen, top + h - scale, x, y, w, h, ink, scale);
    BoatFigure.paint(
        pen,
        seen.pose(),
        new Colours(seen.redLooksBlue(), seen.inverted()),
        display.colour(),
        x + dx,
        y + dy,
        Math.min(w, h) * 0.8);
  }

  private static void vertical(
      Pen pen, double at, double x, double y, double w, double h, Token ink, double px) {
    if (at >= x - w / 2 - 0.01 && at + px <= x + w / 2 + 0.01) {
      pen.box(at, y - h / 2, px, h, 0, ink, null);
    }
  }

  private static void horizontal(
      Pen pen, double at, double x, double y, double w, double h, Token ink, double px) {
    if (at >= y - h / 2 - 0.01 && at + px <= y + h / 2 + 0.01) {
      pen.box(x - w / 2, at, w, px, 0, ink, null);
    }
  }
}
