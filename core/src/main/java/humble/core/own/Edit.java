package humble.core.own;

import humble.core.kit.Board;
import humble.core.kit.BoardState;
import humble.core.kit.Enclosure;
import humble.core.kit.Gate;
import humble.core.kit.Line;
import humble.core.kit.Model;
import humble.core.kit.PartPackage;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.Supply;
import java.util.List;

/** One change of a kit that follows from an answer. */
public sealed interface Edit {
  /** A board is so, of those it replaces the one of its id. */
  record PutBoard(Board board) implements Edit {}

  /** A part sits there. */
  record PutPlace(Place place) implements Edit {}

  /** A part sits nowhere any more. */
  record DropPlace(String ref) implements Edit {}

  /** The list has this line, of those it replaces the one of its id. */
  record PutLine(Line line) implements Edit {}

  /** The parts of a line come in a package. */
  record InPackage(String line, String packageId) implements Edit {}

  /** The parts of a line act so. */
  record ActsAs(String line, Model model) implements Edit {}

  /** The parts of a line have these references. */
  record HasRefs(String line, List<String> refs) implements Edit {
    public HasRefs {
      refs = List.copyOf(refs);
    }
  }

  /** The kit brings a package along. */
  record PutPackage(PartPackage pack) implements Edit {}

  /** A net joins these pins and no others. */
  record PutNet(String net, List<PinRef> pins) implements Edit {
    public PutNet {
      pins = List.copyOf(pins);
    }
  }

  /** A net is gone. */
  record DropNet(String net) implements Edit {}

  /** The board is fed so. */
  record PutSupply(Supply supply) implements Edit {}

  /** A situation of the board can be analysed. */
  record PutState(BoardState state) implements Edit {}

  /** Something is measured before the work goes on. */
  record PutGate(Gate gate) implements Edit {}

  /** The case is so. */
  record PutCase(Enclosure casing) implements Edit {}
}
