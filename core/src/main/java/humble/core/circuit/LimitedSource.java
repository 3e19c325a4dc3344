package humble.core.circuit;

/**
 * A source of {@code volts} through {@code ohms} that neither takes current nor gives more than its
 * limit.
 *
 * <p>The piece in force (blocked, linear, limited) is kept between steps and moves by one neighbour
 * at a time: judged by the voltage alone, a limited source and a light load would throw each other
 * from end to end.
 */
final class LimitedSource {
  private static final double LEAK_S = 1e-12;

  enum Piece {
    BLOCKED,
    LINEAR,
    LIMITED
  }

  private final double ohms;
  private final double limitA;
  private Piece piece = Piece.LINEAR;

  LimitedSource(double ohms, double limitA) {
    this.ohms = ohms;
    this.limitA = limitA;
  }

  /** Gives the current for {@code over} volts across the resistance. */
  double amps(double over) {
    return Math.clamp(over / ohms, 0, limitA);
  }

  Piece pieceAt(double over) {
    double free = over / ohms;
    return free < 0 ? Piece.BLOCKED : free > limitA ? Piece.LIMITED : Piece.LINEAR;
  }

  /**
   * Moves at most one piece towards the one in force at {@code over} volts; tells whether it
   * stayed.
   */
  boolean settle(double over) {
    Piece wanted = pieceAt(over);
    Piece before = piece;
    boolean acrossBothEnds = piece != wanted && piece != Piece.LINEAR && wanted != Piece.LINEAR;
    piece = acrossBothEnds ? Piece.LINEAR : wanted;
    return piece == before;
  }

  /** Puts the piece at {@code over} volts in force. */
  void begin(double over) {
    piece = pieceAt(over);
  }

  /** Gives the slope of the piece in force, in siemens. */
  double slope() {
    return piece == Piece.LINEAR ? 1 / ohms : LEAK_S;
  }

  /** Gives the current of the piece in force at {@code over} volts. */
  double pieceAmps(double over) {
    return switch (piece) {
      case BLOCKED -> LEAK_S * over;
      case LINEAR -> over / ohms;
      case LIMITED -> limitA + LEAK_S * over;
    };
  }
}
