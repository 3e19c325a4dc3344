package humble.core.craft;

import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Place;
import humble.core.words.Phrase;

/**
 * How far off the board a part sits, why, and what the other school says.
 *
 * @param raised whether it stands off
 * @param mm how far, in millimetres; 0 when it sits flush
 * @param how what to do
 * @param because why
 * @param otherSchool what those who do it the other way say, and when they are right
 */
public record StandOff(boolean raised, double mm, Phrase how, Phrase because, Phrase otherSchool) {
  /** Above half of what the part may turn into heat it is raised, so that the board stays cool. */
  private static final double HOT_SHARE = 0.5;

  private static final double QUARTER_WATT = 0.25;
  private static final double HALF_WATT = 0.5;
  private static final double HOT_MM = 3;

  /**
   * Decides it; a part that would then be taller than its place allows stays flush.
   *
   * @param part the part
   * @param watts what it turns into heat at most, in watts; 0 when it is not known
   */
  public static StandOff of(Part part, double watts) {
    Place place = part.placed().orElseGet(() -> Place.unknown(part.ref()));
    Double most = place.maxHeightMm();
    boolean room = most == null || part.pack().heightMm() + HOT_MM <= most;
    boolean hot = room && watts > HOT_SHARE * ratedWatts(part);
    return switch (place.mount()) {
      case RAISED, PROUD ->
          raised(place.standoffMm(), place.mount() == Mount.PROUD ? "proud" : "kit");
      case FLUSH -> hot ? raised(HOT_MM, "hot") : flush(part);
      case UPRIGHT -> fixed("upright", place.standoffMm());
      case LYING -> fixed("lying", place.standoffMm());
      case SOCKETED -> fixed("socketed", 0);
      case FAR_SIDE -> fixed("far-side", place.standoffMm());
    };
  }

  private static StandOff raised(double mm, String why) {
    return new StandOff(
        true,
        mm,
        Phrase.of("craft.stand.raised", mm),
        Phrase.of("craft.stand.raised." + why),
        Phrase.of("craft.stand.other.flush"));
  }

  private static StandOff flush(Part part) {
    PartKind kind = part.line().kind();
    String why =
        kind.is(PartKind.Fact.PULLED)
            ? "pulled"
            : kind.is(PartKind.Fact.PUSHED)
                ? "pushed"
                : kind.is(PartKind.Fact.HANDLED)
                    ? "handled"
                    : part.line().fragile().contains("heat") ? "heat" : "short";
    boolean other = kind.is(PartKind.Fact.RAISED);
    return new StandOff(
        false,
        0,
        Phrase.of("craft.stand.flush"),
        Phrase.of("craft.stand.flush." + why),
        Phrase.of(other ? "craft.stand.other.raised" : "craft.stand.other.none"));
  }

  private static StandOff fixed(String mount, double mm) {
    return new StandOff(
        mm > 0,
        mm,
        Phrase.of("craft.stand." + mount),
        Phrase.of("craft.stand." + mount + ".because"),
        Phrase.of("craft.stand.other.none"));
  }

  /** What a part of that package may turn into heat in still air. */
  private static double ratedWatts(Part part) {
    return switch (part.pack().id()) {
      case "axial-half-watt" -> HALF_WATT;
      case "tab-3-upright", "tab-3-lying", "axial-power-diode" -> 1;
      default -> QUARTER_WATT;
    };
  }
}
