package humble.core.kit;

import humble.core.words.Phrase;
import java.util.Optional;

/**
 * How the two leads of a part are formed for holes that stand closer or wider than its leads do:
 * bent further in, spread, stood up on one lead, or leant over.
 *
 * <p>A lead is bent no nearer than 1 mm to the body; a body longer than the holes allow lying down
 * stands up, and where the place is too low for that it leans.
 */
public record LeadForm(Way way, double holesMm, double leadsMm, double heightMm) {
  /** A difference that leads give way to by themselves. */
  private static final double GIVES_MM = 0.4;

  private static final double BEND_MM = 1;

  /** What stands over an upright body: the lead bent back down. */
  private static final double LOOP_MM = 1.5;

  /** What is done with the leads. */
  public enum Way {
    /** Bent down nearer to the body. */
    CLOSER,
    /** Bent outwards. */
    WIDER,
    /** One lead straight down, the other bent back over the body. */
    STAND,
    /** Stood up, then leant over. */
    LEAN,
    /** It goes in none of these ways. */
    NONE
  }

  /** Gives how, where the holes of a place are not where the leads of a package are. */
  public static Optional<LeadForm> of(PartPackage pack, Place place) {
    Double holes = place.pitchMm();
    double leads = pack.pitchMm();
    if (holes == null || leads <= 0 || Math.abs(holes - leads) <= GIVES_MM) {
      return Optional.empty();
    }
    double high = pack.heightMm();
    Double most = place.maxHeightMm();
    double room = most == null ? Double.POSITIVE_INFINITY : most;
    if (holes > leads) {
      return Optional.of(new LeadForm(Way.WIDER, holes, leads, high));
    }
    double body = lyingBodyMm(pack.id());
    if (body <= 0) {
      return Optional.of(formedUnder(holes, leads, high, room));
    }
    return Optional.of(
        holes >= body + 2 * BEND_MM
            ? new LeadForm(Way.CLOSER, holes, leads, high)
            : upright(holes, leads, body, high, room));
  }

  /** Leads that come out below are bent in under the body, which then stands off by the bend. */
  private static LeadForm formedUnder(double holes, double leads, double high, double room) {
    double lifted = high + BEND_MM + (leads - holes) / 2;
    return new LeadForm(lifted <= room ? Way.CLOSER : Way.NONE, holes, leads, lifted);
  }

  private static LeadForm upright(
      double holes, double leads, double body, double girth, double room) {
    double standing = body + LOOP_MM;
    if (standing <= room) {
      return new LeadForm(Way.STAND, holes, leads, standing);
    }
    double across = Math.min(body, Math.max(0, holes - BEND_MM));
    double leaning = Math.sqrt(body * body - across * across) + girth;
    return new LeadForm(leaning <= room ? Way.LEAN : Way.NONE, holes, leads, leaning);
  }

  /**
   * Length of the body of a part whose leads come out at both ends, 0 where they come out below.
   */
  private static double lyingBodyMm(String pack) {
    return switch (pack) {
      case "axial-quarter-watt" -> 6.3;
      case "axial-half-watt" -> 9;
      case "axial-small-glass" -> 3.9;
      case "axial-power-diode" -> 5.2;
      default -> 0;
    };
  }

  /** Gives the sentence that says how. */
  public Phrase how() {
    return switch (way) {
      case CLOSER -> Phrase.of("craft.leads.closer", holesMm, leadsMm);
      case WIDER -> Phrase.of("craft.leads.wider", holesMm, leadsMm);
      case STAND -> Phrase.of("craft.leads.stand", holesMm, heightMm);
      case LEAN -> Phrase.of("craft.leads.lean", holesMm, heightMm);
      case NONE -> Phrase.of("craft.leads.none", holesMm, heightMm);
    };
  }
}
