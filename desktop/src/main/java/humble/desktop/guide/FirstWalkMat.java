package humble.desktop.guide;

import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import java.util.List;

/** The window in outline with what is spoken of lit, or the keypad with what its keys do. */
record FirstWalkMat(FirstWalk.Station station, Words words) implements Mat {
  private static final List<List<String>> KEYPAD =
      List.of(
          List.of("", "/", "*", "−"),
          List.of("7", "8", "9", "+"),
          List.of("4", "5", "6", "+"),
          List.of("1", "2", "3", "Enter"),
          List.of("0", "0", ".", "Enter"));

  @Override
  public void paint(Pen pen, double w, double h) {
    switch (station) {
      case KEYPAD -> keypad(pen, w, h);
      case CARD, MAT, TRACE, PRACTICE, GUIDE -> window(pen, w, h);
    }
  }

  private void window(Pen pen, double w, double h) {
    double wide = Math.min(w * 0.8, 640);
    double tall = wide * 0.62;
    double x = (w - wide) / 2;
    double y = (h - tall) / 2 - 10;
    pen.box(x, y, wide, tall, 8, Token.PAPER, Token.INK);
    piece(pen, x + 14, y + 46, wide * 0.64, tall - 116, station == FirstWalk.Station.MAT);
    piece(
        pen,
        x + wide * 0.64 + 30,
        y + 46,
        wide * 0.36 - 44,
        tall - 116,
        station == FirstWalk.Station.CARD);
    double bar = wide * 0.36 - 72;
    pen.box(x + wide * 0.64 + 44, y + tall - 120, bar, 32, 6, Token.COPPER, null);
    for (int i = 0; i < 3; i++) {
      pen.line(
          x + wide * 0.64 + 44,
          y + 78 + i * 24,
          x + wide * 0.64 + 44 + bar * (i == 0 ? 0.9 : 0.7),
          y + 78 + i * 24,
          Token.INK_SOFT,
          i == 0 ? 5 : 2);
    }
    board(pen, x + 14, y + 46, wide * 0.64, tall - 116);
    trace(pen, x, y, wide, tall);
    top(pen, x, y, wide);
    pen.text(words.say("walk.mat"), w / 2, y + tall + 30, 15, Token.INK_SOFT, Pen.Hang.MIDDLE);
  }

  private static void piece(Pen pen, double x, double y, double w, double h, boolean lit) {
    pen.box(x, y, w, h, 6, Token.CARD, lit ? null : Token.LINE);
    if (lit) {
      ring(pen, x, y, w, h);
    }
  }

  /** What is spoken of has a second, thick outline: not colour alone. */
  private static void ring(Pen pen, double x, double y, double w, double h) {
    pen.outline(
        List.of(
            new double[] {x - 4, y - 4},
            new double[] {x + w + 4, y - 4},
            new double[] {x + w + 4, y + h + 4},
            new double[] {x - 4, y + h + 4}),
        Token.COPPER,
        5);
  }

  private static void board(Pen pen, double x, double y, double w, double h) {
    double wide = w * 0.6;
    double tall = h * 0.62;
    pen.box(x + (w - wide) / 2, y + (h - tall) / 2, wide, tall, 4, Token.BOARD, Token.INK);
    for (int i = 0; i < 6; i++) {
      pen.disc(
          x + (w - wide) / 2 + wide * (0.16 + 0.14 * i),
          y + h / 2 + (i % 2 == 0 ? -tall * 0.2 : tall * 0.2),
          6,
          Token.COPPER_PALE,
          null,
          0);
    }
  }

  private void trace(Pen pen, double x, double y, double wide, double tall) {
    double at = y + tall - 34;
    pen.line(x + 34, at, x + wide - 34, at, Token.COPPER_PALE, 4);
    for (int i = 0; i < 10; i++) {
      pen.standing(x + 34 + i * (wide - 68) / 9, at, 9, i < 3 ? "done" : i == 3 ? "now" : "todo");
    }
    if (station == FirstWalk.Station.TRACE) {
      ring(pen, x + 12, at - 20, wide - 24, 40);
    }
  }

  private void top(Pen pen, double x, double y, double wide) {
    double practiceX = x + wide * 0.62;
    double guideX = x + wide - 50;
    pen.box(practiceX, y + 12, 96, 22, 11, Token.CARD, Token.LINE);
    pen.box(guideX, y + 12, 30, 22, 11, Token.CARD, Token.LINE);
    pen.bold("?", guideX + 15, y + 23, 15, Token.INK, Pen.Hang.MIDDLE);
    pen.text(words.say("top.practice.on"), practiceX + 48, y + 23, 12, Token.INK, Pen.Hang.MIDDLE);
    if (station == FirstWalk.Station.PRACTICE) {
      ring(pen, practiceX, y + 12, 96, 22);
    }
    if (station == FirstWalk.Station.GUIDE) {
      ring(pen, guideX, y + 12, 30, 22);
    }
  }

  private void keypad(Pen pen, double w, double h) {
    double key = Math.min(84, (h - 120) / 5);
    double x = w * 0.12;
    double y = (h - 5 * key) / 2;
    for (int row = 0; row < KEYPAD.size(); row++) {
      for (int column = 0; column < 4; column++) {
        String cap = KEYPAD.get(row).get(column);
        boolean again =
            row > 0 && KEYPAD.get(row - 1).get(column).equals(cap)
                || column > 0 && KEYPAD.get(row).get(column - 1).equals(cap);
        if (!cap.isEmpty() && !again) {
          double wide = cap.equals("0") ? 2 * key : key;
          double tall = cap.equals("+") || cap.equals("Enter") ? 2 * key : key;
          cap(pen, cap, x + column * key, y + row * key, wide, tall);
        }
      }
    }
    List<String> told = List.of("digits", "enter", "plus", "minus", "star", "slash");
    double textX = x + 4 * key + 48;
    for (int i = 0; i < told.size(); i++) {
      double at = y + 24 + i * (5 * key - 48) / (told.size() - 1);
      pen.bold(words.say("walk.key." + told.get(i)), textX, at - 11, 20, Token.INK, Pen.Hang.LEFT);
      pen.text(
          words.say("walk.key." + told.get(i) + ".does"),
          textX,
          at + 13,
          16,
          Token.INK_SOFT,
          Pen.Hang.LEFT);
    }
  }

  private static void cap(Pen pen, String cap, double x, double y, double w, double h) {
    pen.box(x + 3, y + 3, w - 6, h - 6, 8, Token.CARD, Token.INK);
    pen.bold(cap, x + w / 2, y + h / 2, cap.length() > 1 ? 18 : 26, Token.INK, Pen.Hang.MIDDLE);
  }

  @Override
  public String spoken() {
    return words.say("walk." + station.name().toLowerCase(java.util.Locale.ROOT) + ".how");
  }
}
