package humble.core.casing;

import humble.core.kit.LeadClass;
import humble.core.kit.Part;
import humble.core.words.Phrase;

/**
 * The ends of a part's leads below its board, against what is there.
 *
 * @param ref the part
 * @param over what is there: a layer, or a part of a facing board
 * @param called what that is called
 * @param roomMm how far off that is, in millimetres
 * @param usualMm how long they are, left as they usually are
 * @param cutToMm how long they may be left; not below what a joint needs
 * @param ok whether a joint has room at all
 */
public record Tails(
    String ref,
    String over,
    String called,
    double roomMm,
    double usualMm,
    double cutToMm,
    boolean ok) {
  /** What is kept free between a lead's end and what it must not touch. */
  static final double FREE_MM = 0.5;

  /** Leads that are cut are left so long at most: more than that bends onto its neighbour. */
  static final double CUT_MM = 1.5;

  /** Pins of sockets and chips reach so far from where they rest on the board. */
  private static final double PIN_MM = 3.3;

  private static final double TAB_MM = 4.0;
  private static final double LEAST_MM = 0.8;
  private static final double LEAST_STIFF_MM = 1.0;

  /** Gives how far the leads of a part usually stand out below a board so thick. */
  static double usualMm(Part part, double boardMm) {
    return switch (part.pack().lead()) {
      case THIN -> CUT_MM;
      case PIN -> Math.max(LEAST_STIFF_MM, PIN_MM - boardMm);
      case TAB -> Math.max(LEAST_STIFF_MM, TAB_MM - boardMm);
      case SMD -> 0;
    };
  }

  /** Judges the leads of a part against what is so far off. */
  static Tails of(Part part, double boardMm, double roomMm, String over, String called) {
    double least = part.pack().lead() == LeadClass.THIN ? LEAST_MM : LEAST_STIFF_MM;
    double usual = usualMm(part, boardMm);
    double cut = Math.floor((roomMm - FREE_MM) * 10 + 1e-6) / 10;
    return new Tails(
        part.ref(), over, called, roomMm, usual, Math.max(least, cut), cut >= least - 1e-9);
  }

  /** Says how long its leads may be left. */
  public Phrase said() {
    return Phrase.of("case.cut", ref, cutToMm, roomMm, called);
  }

  /** Tells whether they are to be cut shorter than they usually are. */
  public boolean isCut() {
    return cutToMm < usualMm - 1e-9;
  }
}
