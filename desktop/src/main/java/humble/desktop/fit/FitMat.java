package humble.desktop.fit;

import humble.core.craft.JointOrder;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.RefOrder;
import humble.core.kit.Side;
import humble.core.orient.BoardView;
import humble.core.orient.NetTrace;
import humble.core.orient.Pin1;
import humble.core.picture.Piece;
import humble.core.picture.TopView;
import humble.core.words.Words;
import humble.desktop.draw.BoardPicture;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.draw.PartIcon;
import humble.desktop.draw.Pen;
import humble.desktop.draw.Token;
import humble.desktop.stage.LineNames;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The board as it lies, the parts of this step lit, pin 1 and the landmark drawn; the part's own
 * marks in the inset.
 */
record FitMat(
    Parts parts,
    BoardView view,
    Set<String> fitted,
    Set<String> lit,
    Set<String> leftOut,
    Optional<Part> focus,
    Optional<Pin1> pin1,
    String landmark,
    String side,
    String damage,
    String counts,
    Optional<JointOrder> joints,
    boolean magnified,
    PointMm pulledMm,
    Faces faces,
    Optional<NetTrace> net,
    Words words)
    implements Mat {
  private static final double WAY_PX = 16;
  private static final double LEAST_WAY_PX = 12;

  /** Height of the piece under the magnifier. */
  private static final double CLOSE_MM = 30;

  @Override
  public void paint(Pen pen, double w, double h) {
    double inset = focus.isPresent() ? 112 : 20;
    Optional<PointMm> middle = focus.flatMap(Part::placed).map(Place::at).filter(at -> magnified);
    BoardPicture board =
        middle
            .map(at ->
                BoardPicture.closeUp(
                    parts, view, 24, 48, w - 48, h - 66 - inset, at, pulledMm, CLOSE_MM))
            .orElseGet(() -> new BoardPicture(parts, view, 24, 48, w - 48, h - 60 - inset));
    board.paint(pen, fitted, lit, leftOut, faces);
    board.padSpots(pen, leftOut);
    side(pen);
    if (!damage.isEmpty()) {
      pen.diamond(26, 46, 6, Token.ALARM);
      pen.text(Pen.fitted(damage, 13, w - 70), 40, 46, 13, Token.ALARM, Pen.Hang.LEFT);
    }
    pen.text(counts, w - 20, 26, 15, Token.INK_SOFT, Pen.Hang.RIGHT);
    joints.ifPresent(order -> tacks(pen, board, order));
    Runnable ways =
        () ->
            net.ifPresentOrElse(
                trace -> net(pen, board, trace), () -> pin1.ifPresent(p -> way(pen, board, p)));
    if (middle.isPresent()) {
      pen.within(24, 48, w - 48, h - 66 - inset, ways);
    } else {
      ways.run();
    }
    labels(pen, board);
    focus.ifPresent(part -> inset(pen, part, 20, h - inset, w - 40, inset - 16));
  }

  /** Which side it is, by shape: a part lying on the board, or joints standing on it. */
  private void side(Pen pen) {
    pen.line(20, 30, 62, 30, Token.INK, 3);
    if (view.side() == Side.TOP) {
      pen.box(30, 16, 22, 12, 3, Token.TIN, Token.INK);
    } else {
      for (int i = 0; i < 3; i++) {
        double x = 27 + i * 14;
        pen.shape(
            List.of(new double[] {x - 5, 29}, new double[] {x + 5, 29}, new double[] {x, 14}),
            Token.TIN,
            Token.INK);
      }
    }
    pen.text(side, 74, 26, 16, Token.INK_SOFT, Pen.Hang.LEFT);
  }

  /** The joints that come first, with their numbers. */
  private void tacks(Pen pen, BoardPicture board, JointOrder order) {
    double radius = Math.max(order.tacks() > 1 ? 9 : 5, board.scale() * 0.9);
    int shown = magnified && order.hops() ? order.joints().size() : order.tacks();
    for (int i = 0; i < shown; i++) {
      int number = i + 1;
      parts
          .padAt(order.joints().get(i))
          .map(board::px)
          .ifPresent(px -> {
            Token ground = number <= order.tacks() ? Token.FLUX_PALE : Token.CARD;
            pen.disc(px[0], px[1], radius, ground, Token.INK, 1.5);
            if (order.tacks() > 1 || magnified) {
              pen.bold(
                  Integer.toString(number),
                  px[0],
                  px[1],
                  radius * (number > 9 ? 1.1 : 1.4),
                  Token.INK,
                  Pen.Hang.MIDDLE);
            }
          });
    }
  }

  /** Rings round every pad of the net, joined one to the next; the name stands at the first. */
  private void net(Pen pen, BoardPicture board, NetTrace trace) {
    double radius = Math.max(7, board.scale() * 1.5);
    double[] last = null;
    for (NetTrace.Joined joined : trace.joined()) {
      PointMm pad = parts.padAt(joined.pin()).orElse(null);
      if (pad == null) {
        continue;
      }
      double[] at = board.px(pad);
      if (last != null) {
        pen.dashed(last[0], last[1], at[0], at[1], Token.FLUX, 2);
      }
      pen.disc(at[0], at[1], radius, null, Token.CARD, 5);
      pen.disc(at[0], at[1], radius, null, Token.FLUX, 3);
      last = at;
    }
    NetTrace.Joined first = trace.joined().getFirst();
    parts
        .padAt(first.pin())
        .map(board::px)
        .ifPresent(at ->
            pen.tag(
                trace.net(),
                at[0],
                at[1] + radius + 16,
                16,
                Token.INK,
                Token.FLUX_PALE,
                Pen.Hang.MIDDLE));
  }

  private void way(Pen pen, BoardPicture board, Pin1 pin) {
    double[] from = board.seenPx(pin.pin1());
    double[] to = board.seenPx(pin.landmark().at());
    pen.dashed(from[0], from[1], to[0], to[1], Token.FLUX, 2.5);
    pen.disc(from[0], from[1], Math.max(6, board.scale() * 1.5), null, Token.FLUX, 3);
    String first =
        focus
            .map(part ->
                words.say(
                    "fit.pin."
                        + (part.line().kind().isDiode()
                            ? "k"
                            : part.line().way() == PartKind.Way.PLUS_FIRST ? "plus" : "1")))
            .orElse("1");
    double dx = to[0] - from[0];
    double dy = to[1] - from[1];
    double off = Math.max(6, board.scale() * 1.5) + 18;
    boolean across = Math.abs(dx) > Math.abs(dy);
    // Beside the way, so that it covers neither the way nor the other pads of the row.
    pen.tag(
        first,
        across ? from[0] : from[0] + off + 16,
        across ? from[1] + off : from[1],
        16,
        Token.INK,
        Token.FLUX_PALE,
        Pen.Hang.MIDDLE);
  }

  /** How high the tag with a name is. */
  private static final double TAG_PX = 26;

  private void labels(Pen pen, BoardPicture board) {
    List<double[]> taken = new ArrayList<>();
    lit.stream()
        .filter(ref -> lit.size() <= 8 || focus.map(f -> f.ref().equals(ref)).orElse(false))
        .sorted(RefOrder.NATURAL)
        .flatMap(ref -> parts.part(ref).flatMap(Part::placed).stream())
        .forEach(place -> label(pen, board, place, taken));
  }

  /** A name stands above its part; where another one stands there already, below, or higher. */
  private void label(Pen pen, BoardPicture board, Place place, List<double[]> taken) {
    List<PointMm> body = TopView.of(parts.get(place.ref())).getFirst().corners();
    PointMm middle =
        new PointMm(
            body.stream().mapToDouble(PointMm::xMm).average().orElse(0),
            body.stream().mapToDouble(PointMm::yMm).average().orElse(0));
    double[] at = board.px(place.onBoard(middle));
    double reach =
        parts.get(place.ref()).pack().pins().stream()
            .map(pin -> board.px(place.onBoard(pin.at())))
            .mapToDouble(px -> at[1] - px[1])
            .max()
            .orElse(0);
    boolean tall =
        parts.get(place.ref()).line().kind() == PartKind.DISPLAY
            || parts.get(place.ref()).pack().isDualInLine();
    double lift = tall ? 0 : Math.max(reach, 2.2 * board.scale()) + 16;
    double y = at[1] - lift;
    for (double other : new double[] {at[1] - lift, at[1] + lift, at[1] - lift - TAG_PX}) {
      if (taken.stream().noneMatch(tag -> covers(tag, at[0], other))) {
        y = other;
        break;
      }
    }
    taken.add(new double[] {at[0], y});
    pen.tag(place.ref(), at[0], y, 16, Token.INK, Token.CARD, Pen.Hang.MIDDLE);
  }

  private static boolean covers(double[] tag, double x, double y) {
    return Math.abs(tag[0] - x) < 2 * TAG_PX && Math.abs(tag[1] - y) < TAG_PX;
  }

  private void inset(Pen pen, Part part, double x, double y, double w, double h) {
    pen.box(x, y, w, h, 8, Token.CARD, Token.LINE);
    double half = w * 0.5;
    pen.line(x + half, y + 12, x + half, y + h - 12, Token.LINE, 1.5);
    pen.text(words.say("fit.on-part"), x + 18, y + 20, 14, Token.INK_SOFT, Pen.Hang.LEFT);
    boolean banded = part.line().kind() == PartKind.RESISTOR;
    if (banded) {
      pen.line(x + 24, y + h * 0.52, x + 160, y + h * 0.52, Token.INK, 2);
      PartIcon.resistor(
          pen,
          PartIcon.bands(part.line()).orElse(java.util.List.of()),
          x + 92,
          y + h * 0.52,
          104,
          26,
          true);
    } else if (showsLeads(part)) {
      PartIcon.draw(pen, part.line(), x + 52, y + h * 0.6, 64);
      fromAbove(pen, part, x + 124, y + h * 0.58, 56, h * 0.52);
    } else {
      fromAbove(pen, part, x + 86, y + h * 0.58, 132, h * 0.52);
    }
    double textX = x + 184;
    pen.bold(
        Pen.fitted(LineNames.single(words, part.line()), 16, half - textX + x - 8),
        textX,
        y + h * 0.42,
        16,
        Token.INK,
        Pen.Hang.LEFT);
    String mark =
        part.line().polarityMarks().stream()
            .map(this::markName)
            .reduce((a, b) -> a + ", " + b)
            .orElse(words.say("fit.no-mark"));
    pen.text(
        Pen.fitted(
            part.line().marking().isEmpty() ? mark : part.line().marking() + " · " + mark,
            15,
            half - textX + x - 8),
        textX,
        y + h * 0.7,
        15,
        Token.INK,
        Pen.Hang.LEFT);
    pen.text(words.say("fit.on-board"), x + half + 18, y + 20, 14, Token.INK_SOFT, Pen.Hang.LEFT);
    pads(pen, part, x + half + 70, y + h * 0.62, h * 0.22);
    String where = part.placed().map(this::boardMarks).orElse("");
    String way =
        landmark.isEmpty()
            ? words.say("fit.any")
            : words.say("fit.pin." + pinKey(part)) + " " + landmark;
    double size = Pen.sizeFor(way, WAY_PX, LEAST_WAY_PX, half - 148);
    pen.bold(
        Pen.fitted(way, size, half - 138),
        x + half + 130,
        y + h * 0.42,
        size,
        Token.INK,
        Pen.Hang.LEFT);
    pen.text(
        Pen.fitted(where, 15, half - 138),
        x + half + 130,
        y + h * 0.7,
        15,
        Token.INK,
        Pen.Hang.LEFT);
  }

  /** Parts that are told apart by their leads are drawn from the side too. */
  private static boolean showsLeads(Part part) {
    return part.line().kind().isDiode() || part.line().way() == PartKind.Way.PLUS_FIRST;
  }

  /** The part from above with its marks, as it lies in this view. */
  private void fromAbove(Pen pen, Part part, double x, double y, double w, double h) {
    Place place = part.placed().orElseGet(() -> Place.unknown(part.ref()));
    PointMm middle = view.seen(place.at());
    List<Piece> pieces = TopView.of(part);
    double left = Double.POSITIVE_INFINITY;
    double right = Double.NEGATIVE_INFINITY;
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (PointMm corner : pieces.getFirst().corners()) {
      PointMm at = view.seen(place.onBoard(corner)).minus(middle);
      left = Math.min(left, at.xMm());
      right = Math.max(right, at.xMm());
      low = Math.min(low, at.yMm());
      high = Math.max(high, at.yMm());
    }
    double scale = Math.min(Math.min(w / (right - left), h / (high - low)), 12);
    double midX = (left + right) / 2;
    double midY = (low + high) / 2;
    for (Piece piece : pieces) {
      List<double[]> px =
          piece.corners().stream()
              .map(corner -> view.seen(place.onBoard(corner)).minus(middle))
              .map(
                  at -> new double[] {x + (at.xMm() - midX) * scale, y - (at.yMm() - midY) * scale})
              .toList();
      switch (piece.role()) {
        case BODY -> pen.shape(px, Token.TIN, Token.INK);
        case MARK -> pen.shape(px, Token.INK, null);
        case DETAIL -> pen.outline(px, Token.INK, 1.2);
      }
    }
  }

  private static String pinKey(Part part) {
    return part.line().kind().isDiode()
        ? "k"
        : part.line().way() == PartKind.Way.PLUS_FIRST ? "plus" : "1";
  }

  private String markName(String mark) {
    return words.knows("mark." + mark) ? words.say("mark." + mark) : mark;
  }

  private String boardMarks(Place place) {
    return place.marks().stream()
        .map(mark -> {
          int colon = mark.indexOf(':');
          String shape = markName(colon < 0 ? mark : mark.substring(0, colon));
          return colon < 0
              ? shape
              : shape
                  + " = "
                  + words.say(
                      "pin."
                          + (words.knows("pin." + mark.substring(colon + 1))
                              ? mark.substring(colon + 1)
                              : "1"));
        })
        .reduce((a, b) -> a + ", " + b)
        .orElse(words.say("fit.no-board-mark"));
  }

  /** The pads of the part alone, as they lie in this view. */
  private void pads(Pen pen, Part part, double x, double y, double size) {
    Place place = part.placed().orElse(null);
    if (place == null) {
      return;
    }
    PointMm middle = view.seen(place.at());
    double reach =
        part.pack().pins().stream()
            .mapToDouble(pin -> Math.hypot(pin.at().xMm(), pin.at().yMm()))
            .max()
            .orElse(1);
    double scale = size / Math.max(reach, 1.6);
    part.pack()
        .pins()
        .forEach(pin -> {
          PointMm at = view.seen(place.onBoard(pin.at())).minus(middle);
          double px = x + at.xMm() * scale;
          double py = y - at.yMm() * scale;
          double radius = part.pack().pins().size() > 10 ? 3 : 7;
          boolean square =
              pin.number().equals("1")
                      && place.marks().stream().anyMatch(m -> m.startsWith("square-pad"))
                          != place.marks().stream().anyMatch(m -> m.equals("square-pad:a"))
                  || pin.number().equals("2") && place.marks().contains("square-pad:a");
          if (square) {
            pen.box(
                px - radius, py - radius, 2 * radius, 2 * radius, 1, Token.COPPER_PALE, Token.INK);
          } else {
            pen.disc(px, py, radius, Token.COPPER_PALE, Token.INK, 1.5);
          }
        });
  }

  @Override
  public String spoken() {
    return side + " " + focus.map(part -> part.ref() + " " + landmark).orElse("");
  }
}
