package humble.desktop.mend;

import humble.core.circuit.Fault;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.mend.Diagnosis;
import humble.core.mend.Measure;
import humble.core.mend.Sight;
import humble.core.mend.Suspect;
import humble.core.orient.BoardView;
import humble.core.units.Engineering;
import humble.core.words.Words;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.FaultWords;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The board with its suspects: a ring on the board and a bar beside it for each, the probes of the
 * next measurement, and on a scale what each suspect predicts.
 */
record MendMat(
    String title,
    Parts parts,
    BoardView view,
    Faces faces,
    Set<String> fitted,
    Optional<Diagnosis.Known> known,
    Optional<Diagnosis.Next> next,
    List<Probe> probes,
    Optional<Boolean> limitLight,
    Words words)
    implements Mat {
  private static final int MOST_SHOWN = 5;
  private static final double SCALE_HEIGHT = 150;
  private static final double SAME_PX = 26;
  private static final double NEAR_PX = 72;

  /** Where a probe goes. */
  record Probe(PointMm at, boolean red, String text) {}

  @Override
  public void paint(Pen pen, double w, double h) {
    pen.text(title, 20, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
    double lists = known.isPresent() ? Math.min(330, w * 0.4) : 0;
    boolean asks = next.isPresent() || known.flatMap(Diagnosis.Known::next).isPresent();
    double scale = asks ? SCALE_HEIGHT : 0;
    BoardPicture picture = new BoardPicture(parts, view, 16, 44, w - lists - 40, h - scale - 64);
    picture.paint(pen, fitted, Set.of(), Set.of(), faces);
    picture.padSpots(pen, Set.of());
    picture.partSpots(pen, Set.of());
    known.ifPresent(k -> suspects(pen, picture, k, w - lists - 8, lists - 12));
    for (int i = 0; i < probes.size(); i++) {
      probe(pen, picture, probes.get(i), i > 0 && near(picture, probes.get(i), probes.get(i - 1)));
    }
    limitLight.ifPresent(on -> supply(pen, on, w));
    if (scale > 0) {
      next.ifPresent(asked -> predictions(pen, asked, 16, h - scale - 8, w - 32, scale));
    }
  }

  /** The practice supply's limit light: a filled octagon when it is on, a ring when it is not. */
  private void supply(Pen pen, boolean on, double w) {
    String text = words.say(on ? "mend.limit.on" : "mend.limit.off");
    double left = w - 22 - Pen.width(text, 14, false);
    pen.text(text, w - 16, 26, 14, on ? Token.INK : Token.INK_SOFT, Pen.Hang.RIGHT);
    if (on) {
      pen.octagon(left - 10, 26, 8, Token.ALARM, Token.INK);
    } else {
      pen.disc(left - 10, 26, 6, null, Token.INK_SOFT, 1.5);
    }
  }

  private static String letter(int index) {
    return String.valueOf((char) ('A' + index));
  }

  private List<Diagnosis.Named> shown(Diagnosis.Known k) {
    return k.suspects().subList(0, Math.min(MOST_SHOWN, k.suspects().size()));
  }

  private void suspects(Pen pen, BoardPicture picture, Diagnosis.Known k, double x, double w) {
    rings(pen, picture, k);
    double y = 62;
    double others = 1;
    for (int i = 0; i < shown(k).size(); i++) {
      Diagnosis.Named named = k.suspects().get(i);
      others -= named.belief();
      String text =
          named.shows()
              ? FaultWords.say(words, parts, named.suspect())
              : words.say("mend.shows-nothing");
      bar(pen, letter(i) + "  " + text, named.belief(), x, y, w, i == 0);
      int more = named.group().size() - 1;
      if (more > 0) {
        pen.text(
            named.shows()
                ? words.say("mend.same", more)
                : words.say("mend.shows-nothing.more", more + 1),
            x + 22,
            y + 41,
            13,
            Token.INK_SOFT,
            Pen.Hang.LEFT);
      }
      pen.spot("suspect:" + i, x - 6, y - 16, w + 12, 62);
      y += more > 0 ? 72 : 58;
    }
    if (others > 0.005) {
      bar(pen, words.say("mend.others"), others, x, y, w, false);
    }
  }

  private static void bar(
      Pen pen, String text, double share, double x, double y, double w, boolean first) {
    String fits = Pen.fitted(text, 16, w - 62);
    if (first) {
      pen.bold(fits, x, y, 16, Token.INK, Pen.Hang.LEFT);
    } else {
      pen.text(fits, x, y, 16, Token.INK, Pen.Hang.LEFT);
    }
    pen.text(
        String.format(Locale.ROOT, "%.0f %%", 100 * share),
        x + w,
        y,
        16,
        Token.INK_SOFT,
        Pen.Hang.RIGHT);
    pen.box(x, y + 15, w, 11, 5, Token.LINE, null);
    pen.box(x, y + 15, Math.max(6, w * share), 11, 5, Token.COPPER, null);
  }

  /**
   * Rings first and their letters over them, each at another hour where rings lie over each other.
   */
  private void rings(Pen pen, BoardPicture picture, Diagnosis.Known k) {
    for (Diagnosis.Named named : shown(k)) {
      middle(picture, named)
          .ifPresent(at -> {
            pen.disc(at[0], at[1], radius(named), null, Token.CARD, 6);
            pen.disc(at[0], at[1], radius(named), null, Token.FLUX, 3.5);
          });
    }
    for (int i = 0; i < shown(k).size(); i++) {
      Diagnosis.Named named = k.suspects().get(i);
      double angle = Math.toRadians(-10 + 55 * i);
      String letter = letter(i);
      middle(picture, named)
          .ifPresent(at ->
              pen.tag(
                  letter,
                  at[0] + (radius(named) + 6) * Math.cos(angle),
                  at[1] + (radius(named) + 6) * Math.sin(angle),
                  15,
                  Token.INK,
                  Token.FLUX_PALE,
                  Pen.Hang.MIDDLE));
    }
  }

  private static double radius(Diagnosis.Named named) {
    return 15 + 22 * Math.sqrt(named.belief());
  }

  private Optional<double[]> middle(BoardPicture picture, Diagnosis.Named named) {
    return named.shows() ? spot(named.suspect()).map(picture::px) : Optional.empty();
  }

  private Optional<PointMm> spot(Suspect suspect) {
    return suspect
        .fault()
        .flatMap(fault ->
            switch (fault) {
              case Fault.OpenJoint f -> parts.padAt(f.pin());
              case Fault.Cold f -> parts.padAt(f.pin());
              case Fault.Bridge f -> parts.padAt(f.a());
              case Fault.Reversed f -> middle(f.ref());
              case Fault.Swapped f -> middle(f.a());
              case Fault.WrongValue f -> middle(f.ref());
              case Fault.Missing f -> middle(f.ref());
              case Fault.Dead f -> middle(f.ref());
              case Fault.Blank f -> middle(f.ref());
              case Fault.Stuck f -> parts.padAt(f.pin());
              case Fault.Off f -> middle(f.what());
            })
        .filter(at -> here(suspect));
  }

  private boolean here(Suspect suspect) {
    return suspect.fault().stream()
        .map(fault -> fault.refs().getFirst())
        .flatMap(ref -> parts.part(ref).stream())
        .flatMap(part -> part.placed().stream())
        .map(Place::board)
        .anyMatch(board -> board.equals(view.board().id()));
  }

  private Optional<PointMm> middle(String ref) {
    return parts.part(ref).flatMap(part -> part.placed().map(Place::at));
  }

  private static boolean near(BoardPicture picture, Probe a, Probe b) {
    double[] one = picture.px(a.at());
    double[] other = picture.px(b.at());
    return Math.abs(one[0] - other[0]) < NEAR_PX && Math.abs(one[1] - other[1]) < NEAR_PX / 2;
  }

  /** A probe comes from above; beside another one, from below. */
  private void probe(Pen pen, BoardPicture picture, Probe probe, boolean fromBelow) {
    double[] at = picture.px(probe.at());
    int up = fromBelow ? -1 : 1;
    pen.shape(
        List.of(
            new double[] {at[0], at[1]},
            new double[] {at[0] - 9, at[1] - 30 * up},
            new double[] {at[0] + 9, at[1] - 30 * up}),
        probe.red() ? Token.ALARM : Token.INK,
        Token.CARD);
    pen.tag(probe.text(), at[0], at[1] - 44 * up, 16, Token.INK, Token.CARD, Pen.Hang.MIDDLE);
  }

  private void predictions(Pen pen, Diagnosis.Next next, double x, double y, double w, double h) {
    pen.box(x, y, w, h, 8, Token.CARD, Token.LINE);
    pen.text(words.say("mend.predicts"), x + 16, y + 24, 15, Token.INK_SOFT, Pen.Hang.LEFT);
    List<Diagnosis.Named> names = known.map(this::shown).orElse(List.of());
    if (next.measure() instanceof Measure.Look) {
      looks(pen, next.looks(), names, x + 16, y + 52, w - 32);
    } else {
      scale(pen, next, names, x + 40, y + h - 42, w - 80);
    }
  }

  private static void looks(
      Pen pen,
      Map<String, Sight> looks,
      List<Diagnosis.Named> names,
      double x,
      double y,
      double w) {
    Sight[] sights =
        looks.containsValue(Sight.RUNNING) || looks.containsValue(Sight.STILL)
            ? new Sight[] {Sight.RUNNING, Sight.STILL}
            : new Sight[] {Sight.LIT, Sight.DIM, Sight.DARK};
    double column = w / sights.length;
    for (int i = 0; i < sights.length; i++) {
      double mid = x + column * (i + 0.5);
      StringBuilder letters = new StringBuilder();
      for (int k = 0; k < names.size(); k++) {
        if (looks.get(names.get(k).suspect().name()) == sights[i]) {
          letters.append(letter(k)).append(' ');
        }
      }
      pen.box(mid - column / 2 + 8, y, column - 16, 66, 6, Token.FIELD, Token.LINE);
      pen.text(sights[i].text(), mid, y + 18, 15, Token.INK_SOFT, Pen.Hang.MIDDLE);
      pen.bold(
          letters.isEmpty() ? "–" : letters.toString().strip(),
          mid,
          y + 45,
          20,
          Token.INK,
          Pen.Hang.MIDDLE);
    }
  }

  private void scale(
      Pen pen, Diagnosis.Next next, List<Diagnosis.Named> names, double x, double y, double w) {
    List<Double> finite =
        names.stream()
            .map(named -> next.predict().get(named.suspect().name()))
            .filter(value -> value != null && Double.isFinite(value))
            .toList();
    boolean ohms = next.measure() instanceof Measure.Ohms;
    // Where all is open any rule will do, but one that a meter could show.
    double most = Math.max(ohms ? 100 : 1e-3, finite.stream().mapToDouble(v -> v).max().orElse(1));
    double least = finite.stream().mapToDouble(v -> v).min().orElse(0);
    // What lies this near to nothing is drawn as nothing.
    double low = least < -0.02 * most ? -round(-least) : 0;
    double step = round((most - low) / 4);
    double span = 4 * step;
    pen.line(x, y, x + w, y, Token.INK, 1.5);
    for (int i = 0; i <= 4; i++) {
      double tick = x + w * 0.9 * i / 4;
      pen.line(tick, y, tick, y + 7, Token.INK, 1.5);
      pen.text(
          Engineering.nominal(low + step * i, next.measure().unit()),
          tick,
          y + 22,
          14,
          Token.INK_SOFT,
          Pen.Hang.MIDDLE);
    }
    if (ohms) {
      pen.text(words.say("mend.open"), x + w, y + 22, 14, Token.INK_SOFT, Pen.Hang.MIDDLE);
    }
    Set<Integer> told = new HashSet<>();
    for (int k = 0; k < names.size(); k++) {
      Double value = next.predict().get(names.get(k).suspect().name());
      if (value == null || !told.add(k)) {
        continue;
      }
      double px = place(value, low, span, x, w);
      List<String> together = new ArrayList<>(List.of(letter(k)));
      for (int other = k + 1; other < names.size(); other++) {
        Double its = next.predict().get(names.get(other).suspect().name());
        if (its != null && Math.abs(place(its, low, span, x, w) - px) < SAME_PX) {
          together.add(letter(other));
          told.add(other);
        }
      }
      pen.box(px - 8, y - 30, 16, 30, 2, Token.COPPER_PALE, Token.COPPER);
      String letters = String.join(" ", together);
      double half = Pen.width(letters, 17, true) / 2;
      double middle = Math.min(px, x + w + 32 - half);
      pen.bold(letters, middle, y - 44, 17, Token.INK, Pen.Hang.MIDDLE);
    }
  }

  /** Gives the next of 1, 2, 2.5, 4, 5, 8 and their tens that is no less. */
  private static double round(double value) {
    double ten = Math.pow(10, Math.floor(Math.log10(value)));
    for (double digit : new double[] {1, 2, 2.5, 4, 5, 8}) {
      if (digit * ten >= value * (1 - 1e-9)) {
        return digit * ten;
      }
    }
    return 10 * ten;
  }

  private static double place(double value, double low, double span, double x, double w) {
    return Double.isInfinite(value) ? x + w : x + w * 0.9 * (value - low) / span;
  }

  @Override
  public String spoken() {
    return title
        + ": "
        + known
            .map(k ->
                shown(k).stream()
                    .map(named -> FaultWords.say(words, parts, named.suspect()))
                    .reduce((a, b) -> a + ", " + b)
                    .orElse(""))
            .orElse("");
  }
}
