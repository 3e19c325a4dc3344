package humble.desktop.session;

import humble.core.budget.Budget;
import humble.core.kit.Board;
import humble.formats.ReadingBudget;
import humble.formats.board.BoardLayers;
import humble.formats.kit.KitFolder;

/** The files of a board, read in the background. */
final class LayersRead {
  private LayersRead() {}

  static Job<BoardLayers> of(Board board, KitFolder folder) {
    return calledOff -> {
      Budget budget = ReadingBudget.usual(calledOff);
      return BoardLayers.read(board, folder.source(budget), budget);
    };
  }
}
