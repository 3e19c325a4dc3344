package humble.formats.board;

import humble.core.budget.Budget;

/** A board file, read as what its role in the kit says it is: the one door for all of them. */
sealed interface BoardFileRead {
  /** A layer that is drawn. */
  record OfLayer(Layer layer) implements BoardFileRead {}

  /** Holes. */
  record OfDrill(DrillFile drill) implements BoardFileRead {}

  /** Which pins are joined. */
  record OfNetlist(Netlist netlist) implements BoardFileRead {}

  /** The formats of board files; every role that names none of the others is a layer. */
  enum Format {
    LAYER {
      @Override
      BoardFileRead read(String name, byte[] bytes, LengthUnit unit, Budget budget)
          throws BoardFileDamage {
        return new OfLayer(Gerber.read(name, bytes, unit, budget));
      }
    },
    DRILL {
      @Override
      BoardFileRead read(String name, byte[] bytes, LengthUnit unit, Budget budget)
          throws BoardFileDamage {
        return new OfDrill(DrillFile.read(name, bytes, unit, budget));
      }
    },
    NETLIST {
      @Override
      BoardFileRead read(String name, byte[] bytes, LengthUnit unit, Budget budget)
          throws BoardFileDamage {
        return new OfNetlist(Netlist.read(name, bytes, budget));
      }
    };

    abstract BoardFileRead read(String name, byte[] bytes, LengthUnit unit, Budget budget)
        throws BoardFileDamage;

    /** Gives the format of the files of a role. */
    static Format ofRole(String role) {
      return role.startsWith("drill") ? DRILL : role.equals("netlist") ? NETLIST : LAYER;
    }
  }

  /**
   * Reads a file of a role.
   *
   * @throws BoardFileDamage with file and line, at the first thing that cannot be read
   * @throws humble.core.budget.Spent when it would cost more than the budget has left
   */
  static BoardFileRead of(String role, String name, byte[] bytes, Budget budget)
      throws BoardFileDamage {
    return of(role, name, bytes, LengthUnit.UNSAID, budget);
  }

  /** Reads a file of a role; {@code unit} is that of a file that does not say its own. */
  static BoardFileRead of(String role, String name, byte[] bytes, LengthUnit unit, Budget budget)
      throws BoardFileDamage {
    return Format.ofRole(role).read(name, bytes, unit, budget);
  }
}
