package humble.desktop.wake;

import humble.core.kit.Board;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.Peripheral;
import humble.core.kit.Place;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.words.Words;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.session.OpenBuild;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The board with what is tried on it, and beside it how knobs and switches are set before. * @param
 * faces photos of the boards, where they are looked at
 */
record TestPicture(
    Parts parts,
    Set<String> fitted,
    Set<String> tried,
    List<String> numbered,
    List<Set<Integer>> marked,
    List<Set<Integer>> otherwise,
    boolean lit,
    Map<String, String> set,
    String legend,
    Words words,
    Faces faces)
    implements Waking.Picture {
  private static final int MOST_SET = 5;
  private static final int A_ROW = 6;

  /** Gives the picture of a test. */
  static TestPicture of(OpenBuild open, Peripheral peripheral, Words words) {
    Set<String> tried = new LinkedHashSet<>();
    tried.add(peripheral.part());
    if (peripheral instanceof Peripheral.Tried each) {
      tried.addAll(each.refs());
    }
    if (peripheral instanceof Peripheral.Bus bus) {
      bus.devices().forEach(device -> tried.add(device.ref()));
    }
    if (peripheral instanceof Peripheral.Passive passive) {
      passive.through().stream()
          .flatMap(List::stream)
          .map(point -> point.replaceFirst("\\..*", ""))
          .filter(ref -> open.built().part(ref).isPresent())
          .forEach(tried::add);
    }
    if (peripheral instanceof Peripheral.LightGate gate) {
      tried.add(gate.lamp());
    }
    tried.remove("");
    return new TestPicture(
        open.built(),
        open.onBoard(),
        tried,
        List.of(),
        List.of(),
        List.of(),
        false,
        peripheral.says().set(),
        "",
        words,
        open.photoFaces());
  }

  /**
   * Gives it with numbered parts, which answer to clicks.
   *
   * @param refs parts that bear the numbers from 1
   * @param failed numbers that were marked, one set for each way to fail
   * @param below what the picture shows, in words
   */
  TestPicture numbered(List<String> refs, List<Set<Integer>> failed, String below) {
    Set<String> all = new LinkedHashSet<>(refs);
    all.remove("");
    return new TestPicture(
        parts, fitted, all, refs, failed, List.of(), false, set, below, words, faces);
  }

  /**
   * Gives it with its numbers shining.
   *
   * @param not those that are dark, those that are dim, those that shine at another's turn
   */
  TestPicture shining(List<Set<Integer>> not) {
    return new TestPicture(
        parts, fitted, tried, numbered, marked, not, true, set, legend, words, faces);
  }

  @Override
  public void paint(Pen pen, double x, double y, double w, double h) {
    double side = set.isEmpty() ? 0 : 150;
    if (parts.kit().boards().isEmpty()) {
      unplaced(pen, x, y, w - side);
    }
    board()
        .ifPresent(board -> {
          Side face = face(board);
          BoardPicture picture =
              new BoardPicture(
                  parts,
                  new BoardView(board, face, 0),
                  x,
                  y,
                  w - side,
                  h - (legend.isEmpty() ? 0 : 24));
          picture.paint(pen, fitted, numbered.isEmpty() ? tried : Set.of(), Set.of(), faces);
          if (!numbered.isEmpty()) {
            picture.partSpots(pen, Set.of());
          }
          for (int i = 0; i < numbered.size(); i++) {
            int number = i + 1;
            placed(numbered.get(i), board)
                .ifPresent(place -> number(pen, number, picture.px(place.at())));
          }
          if (numbered.isEmpty()) {
            tried.forEach(ref ->
                placed(ref, board).ifPresent(place -> name(pen, ref, picture.px(place.at()))));
          }
        });
    settings(pen, x + w - side + 10, y, side - 10);
    pen.text(legend, x + (w - side) / 2, y + h - 6, 15, Token.INK_SOFT, Pen.Hang.MIDDLE);
  }

  /** A kit without a board has names all the same. */
  private void unplaced(Pen pen, double x, double y, double w) {
    int column = 0;
    for (String ref : tried) {
      pen.tag(
          ref,
          x + 60 + column % A_ROW * (w - 120) / (A_ROW - 1),
          y + 40 + column / A_ROW * 44.0,
          18,
          Token.INK,
          Token.FLUX_PALE,
          Pen.Hang.MIDDLE);
      column++;
    }
  }

  private Optional<Board> board() {
    return parts.kit().boards().stream()
        .filter(board -> tried.stream().anyMatch(ref -> placed(ref, board).isPresent()))
        .findFirst()
        .or(() -> parts.kit().boards().stream().findFirst());
  }

  /** The side on which more of what is tried is seen. */
  private Side face(Board board) {
    long below =
        tried.stream()
            .flatMap(ref -> placed(ref, board).stream())
            .filter(place -> place.side() == Side.BOTTOM)
            .count();
    long all = tried.stream().filter(ref -> placed(ref, board).isPresent()).count();
    return 2 * below > all ? Side.BOTTOM : Side.TOP;
  }

  private Optional<Place> placed(String ref, Board board) {
    return parts.part(ref).flatMap(Part::placed).filter(place -> place.board().equals(board.id()));
  }

  private void number(Pen pen, int number, double[] at) {
    int way = way(marked, number);
    int not = way(otherwise, number);
    boolean bright = lit && not != 0;
    if (bright) {
      pen.glow(at[0], at[1], not == 1 ? 17 : 24, Token.FLUX);
    }
    if (not == 2) {
      pen.disc(at[0], at[1], 30, null, Token.FLUX, 2.5);
    }
    boolean dead = way == 0;
    switch (way) {
      case 0 -> pen.diamond(at[0], at[1], 19, Token.ALARM);
      case 1 -> pen.disc(at[0], at[1], 15, Token.ALARM_PALE, Token.ALARM, 4);
      case 2 -> pen.box(at[0] - 15, at[1] - 15, 30, 30, 2, Token.ALARM_PALE, Token.ALARM);
      default ->
          pen.disc(
              at[0],
              at[1],
              14,
              bright && not != 1 ? Token.FLUX_PALE : Token.CARD,
              Token.INK,
              bright ? 2.5 : 1.5);
    }
    pen.bold(
        Integer.toString(number),
        at[0],
        at[1],
        number > 9 ? 13 : 15,
        dead ? Token.CARD : Token.INK,
        Pen.Hang.MIDDLE);
  }

  /** Gives which of the sets a number is in first, -1 for none. */
  private static int way(List<Set<Integer>> sets, int number) {
    for (int i = 0; i < sets.size(); i++) {
      if (sets.get(i).contains(number)) {
        return i;
      }
    }
    return -1;
  }

  private static void name(Pen pen, String ref, double[] at) {
    pen.tag(ref, at[0], at[1], 16, Token.INK, Token.FLUX_PALE, Pen.Hang.MIDDLE);
  }

  private void settings(Pen pen, double x, double y, double w) {
    List<Map.Entry<String, String>> all = new ArrayList<>(set.entrySet());
    for (int i = 0; i < Math.min(MOST_SET, all.size()); i++) {
      double top = y + i * 84;
      pen.box(x, top, w, 74, 8, Token.CARD, Token.LINE);
      String ref = all.get(i).getKey();
      String to = all.get(i).getValue();
      pen.bold(ref, x + 12, top + 20, 16, Token.INK, Pen.Hang.LEFT);
      pen.text(to, x + 12, top + 50, 16, Token.INK, Pen.Hang.LEFT);
      position(pen, to, x + w - 36, top + 37);
    }
  }

  /** A knob by its pointer, a switch by where its lever stands; another word has no picture. */
  private static void position(Pen pen, String to, double x, double y) {
    if (to.matches("0|1|0?\\.[0-9]+|1\\.0*")) {
      double angle = Math.toRadians(225 - 270 * Double.parseDouble(to));
      pen.disc(x, y, 20, Token.TIN, Token.INK, 1.5);
      pen.line(x, y, x + 17 * Math.cos(angle), y - 17 * Math.sin(angle), Token.INK, 3);
      return;
    }
    double[] lever =
        switch (to) {
          case "up", "on" -> new double[] {0, -18};
          case "down", "off" -> new double[] {0, 18};
          case "left" -> new double[] {-18, 0};
          case "right" -> new double[] {18, 0};
          default -> new double[0];
        };
    if (lever.length == 2) {
      pen.disc(x, y, 10, Token.TIN, Token.INK, 1.5);
      pen.line(x, y, x + lever[0], y + lever[1], Token.INK, 7);
    }
  }
}
