package humble.core.intake;

import humble.core.kit.PartKind;
import java.util.List;

/**
 * Marks or weaknesses that parts of a kind usually have, where a list says nothing of them.
 *
 * @param words as kit files name them
 * @param confidence how sure that is, 0 to 1
 * @param because the reason
 */
record Traits(List<String> words, double confidence, String because) {
  private static final double GUESSED = 0.8;

  /** Nothing usual. */
  static final Traits NONE = new Traits(List.of(), 1, "");

  static Traits polarity(PartKind kind, String packageId) {
    String usual = "parts of this kind and case usually show it";
    if (packageId.startsWith("dip-") || packageId.startsWith("socket-dip-")) {
      return new Traits(List.of("notch"), 0.95, usual);
    }
    return switch (kind.way()) {
      case EITHER -> Traits.NONE;
      case CATHODE_FIRST ->
          kind == PartKind.LED
              ? new Traits(List.of("long-lead", "flat"), 0.85, usual)
              : kind == PartKind.LASER ? Traits.NONE : new Traits(List.of("stripe"), 0.95, usual);
      case PLUS_FIRST ->
          kind == PartKind.BUZZER
              ? new Traits(List.of("plus", "long-lead"), 0.7, usual)
              : kind != PartKind.CAPACITOR_POLARISED
                  ? new Traits(List.of("plus"), 0.9, usual)
                  : packageId.equals("bead")
                      ? new Traits(List.of("plus", "long-lead"), GUESSED, usual)
                      : new Traits(List.of("stripe", "long-lead"), 0.9, usual);
      case THREE_LEGS ->
          packageId.equals("half-round-3")
              ? new Traits(List.of("flat"), 0.95, usual)
              : packageId.startsWith("tab-3")
                  ? new Traits(List.of("printed"), 0.85, usual)
                  : new Traits(List.of("dot"), 0.4, usual);
      case PIN_1 ->
          kind == PartKind.IC
              ? new Traits(List.of("dot"), 0.7, usual)
              : kind == PartKind.DISPLAY || kind == PartKind.MODULE
                  ? new Traits(List.of("printed"), 0.6, usual)
                  : Traits.NONE;
    };
  }

  static Traits fragile(PartKind kind) {
    List<String> words = kind.hurt().words();
    return switch (kind.hurt()) {
      case NOTHING -> Traits.NONE;
      case STATIC -> new Traits(words, 0.9, "a charged finger kills such a part without a sign");
      case HEAT -> new Traits(words, GUESSED, "a joint held too long hurts it");
      case SHOCK -> new Traits(words, GUESSED, "a fall breaks it");
      case GLASS -> new Traits(words, GUESSED, "glass and drivers bear none of these");
      case BOARDED -> new Traits(words, 0.7, "what stands on it bears neither");
      case WATER -> new Traits(words, 0.7, "wash water creeps in and stays");
    };
  }
}
