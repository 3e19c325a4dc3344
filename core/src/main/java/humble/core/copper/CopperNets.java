package humble.core.copper;

import humble.core.budget.Budget;
import humble.core.kit.PointMm;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.index.strtree.STRtree;

/**
 * The copper of a board by what it joins: two points are on one net exactly when copper, plated
 * holes and plated slots lead from one to the other. Nothing but shapes is looked at. Tracks, round
 * pads and holes are joined by their exact distances; polygons are reckoned only where something is
 * taken away.
 */
public final class CopperNets {
  private final List<STRtree> sheets = new ArrayList<>();
  private final STRtree bores = new STRtree();
  private final Joined joined = new Joined();
  private final Budget budget;

  /** A piece and its number among all pieces and holes. */
  private record Node(int number, Piece piece) {}

  private record Drilled(int number, CopperBoard.Bore bore, Piece.Round round) {}

  private record Clear(int order, Piece piece) {}

  private CopperNets(Budget budget) {
    this.budget = budget;
  }

  /**
   * Traces a board.
   *
   * @param budget what pieces, and pairs of them, come out of
   * @throws humble.core.budget.Spent when it would cost more than the budget has left, or when it
   *     was called off
   */
  public static CopperNets trace(CopperBoard board, Budget budget) {
    CopperNets nets = new CopperNets(budget);
    List<PointMm> pads = new ArrayList<>();
    for (CopperBoard.Bore bore : board.bores()) {
      pads.add(bore.shape().from());
    }
    for (CopperBoard.Sheet sheet : board.sheets()) {
      for (Shape.Inked mark : sheet.marks()) {
        if (mark.shape() instanceof Shape.Stadium s && s.from().equals(s.to())) {
          pads.add(s.from());
        }
      }
    }
    Outline outline = Outline.of(board.edges(), pads);
    for (int i = 0; i < board.sheets().size(); i++) {
      int sheet = i;
      List<CopperBoard.Bore> bare =
          board.bores().stream()
              .filter(bore -> !bore.plated() && bore.first() <= sheet && sheet <= bore.last())
              .toList();
      nets.sheet(board.sheets().get(i), bare, outline);
    }
    nets.bores(board.bores());
    return nets;
  }

  private void sheet(
      CopperBoard.Sheet sheet,
      List<CopperBoard.Bore> bare,
      @org.jspecify.annotations.Nullable Outline outline) {
    STRtree clears = new STRtree();
    List<List<Piece>> drawn = new ArrayList<>();
    for (int order = 0; order < sheet.marks().size(); order++) {
      budget.items(1);
      Shape.Inked mark = sheet.marks().get(order);
      List<Piece> pieces = Piece.of(mark.shape());
      drawn.add(mark.dark() ? pieces : List.of());
      if (!mark.dark()) {
        for (Piece piece : pieces) {
          clears.insert(piece.box(), new Clear(order, piece));
        }
      }
    }
    for (CopperBoard.Bore bore : bare) {
      Piece.Round round = Piece.Round.of(bore.shape());
      clears.insert(round.box(), new Clear(Integer.MAX_VALUE, round));
    }
    List<Node> nodes = new ArrayList<>();
    STRtree index = new STRtree();
    for (int order = 0; order < drawn.size(); order++) {
      for (Piece piece : drawn.get(order)) {
        for (Piece left : left(piece, order, clears)) {
          for (Piece kept : outline == null ? List.of(left) : outline.kept(left)) {
            budget.items(1);
            Node node = new Node(joined.add(), kept);
            nodes.add(node);
            index.insert(kept.box(), node);
          }
        }
      }
    }
    for (Node node : nodes) {
      for (Object found : index.query(reach(node.piece().box()))) {
        Node other = (Node) found;
        if (other.number() > node.number() && !joined.same(node.number(), other.number())) {
          budget.items(1);
          if (node.piece().touches(other.piece())) {
            joined.join(node.number(), other.number());
          }
        }
      }
    }
    sheets.add(index);
  }

  private static Envelope reach(Envelope box) {
    Envelope wider = new Envelope(box);
    wider.expandBy(Piece.TOUCH_MM);
    return wider;
  }

  /** Gives what of a piece what was cleared after it leaves. */
  private static List<Piece> left(Piece piece, int order, STRtree clears) {
    List<Piece> later = new ArrayList<>();
    for (Object found : clears.query(piece.box())) {
      Clear clear = (Clear) found;
      if (clear.order() > order && clear.piece().touches(piece)) {
        later.add(clear.piece());
      }
    }
    return later.isEmpty() ? List.of(piece) : Cleared.of(piece, later);
  }

  private void bores(List<CopperBoard.Bore> all) {
    for (CopperBoard.Bore bore : all) {
      budget.items(1);
      if (!bore.plated()) {
        continue;
      }
      Piece.Round round = Piece.Round.of(bore.shape());
      int number = joined.add();
      bores.insert(round.box(), new Drilled(number, bore, round));
      for (int i = bore.first(); i <= Math.min(bore.last(), sheets.size() - 1); i++) {
        for (Object found : sheets.get(i).query(reach(round.box()))) {
          Node node = (Node) found;
          if (!joined.same(number, node.number()) && round.touches(node.piece())) {
            joined.join(number, node.number());
          }
        }
      }
    }
  }

  /**
   * Gives a number for the net that copper at a point belongs to; empty where there is none. Points
   * on one net have one number.
   *
   * @param sheet number of the layer, from 0 at the top
   * @param at the point
   */
  public OptionalInt netAt(int sheet, PointMm at) {
    Piece.Round point = new Piece.Round(at.xMm(), at.yMm(), at.xMm(), at.yMm(), 0);
    for (Object found : sheets.get(sheet).query(reach(point.box()))) {
      Node node = (Node) found;
      if (node.piece().touches(point)) {
        return OptionalInt.of(joined.root(node.number()));
      }
    }
    for (Object found : bores.query(reach(point.box()))) {
      Drilled drilled = (Drilled) found;
      boolean through = drilled.bore().first() <= sheet && sheet <= drilled.bore().last();
      if (through && drilled.round().touches(point)) {
        return OptionalInt.of(joined.root(drilled.number()));
      }
    }
    return OptionalInt.empty();
  }

  /**
   * Gives the net of the copper that a shape of a layer covers or touches; empty where it covers
   * none. Where it covers several, the one nearest to its middle.
   */
  public OptionalInt netUnder(int sheet, Shape shape) {
    for (Piece piece : Piece.of(shape)) {
      Coordinate middle = piece.box().centre();
      OptionalInt here = netAt(sheet, new PointMm(middle.x, middle.y));
      if (here.isPresent()) {
        return here;
      }
      for (Object found : sheets.get(sheet).query(reach(piece.box()))) {
        Node node = (Node) found;
        if (node.piece().touches(piece)) {
          return OptionalInt.of(joined.root(node.number()));
        }
      }
    }
    return OptionalInt.empty();
  }
}
