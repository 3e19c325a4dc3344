package humble.core.practice;

import humble.core.firmware.NumberBase;
import humble.core.kit.Part;
import humble.core.kit.PointMm;
import humble.core.marking.BandColour;
import humble.core.words.Phrase;
import java.util.List;

/** One thing to be read: what is shown, and what is right. */
public sealed interface Question {
  /** Gives what it practises. */
  Skill skill();

  /** Gives what is right. */
  Wanted wanted();

  /** Gives how one comes to it, for whom it was not. */
  Phrase because();

  /** A resistor with painted bands. */
  record Bands(Skill skill, List<BandColour> bands, Wanted.Value wanted, Phrase because)
      implements Question {
    public Bands {
      bands = List.copyOf(bands);
    }
  }

  /** A capacitor with a code. */
  record Code(String printed, Wanted.Value wanted, Phrase because) implements Question {
    @Override
    public Skill skill() {
      return Skill.CODES;
    }
  }

  /**
   * A part that lies before the person; which of its pads?
   *
   * @param part the part, in its place
   * @param below whether it is looked at from below, so that only its joints are seen
   * @param pads the pads to choose from
   */
  record Lying(
      Skill skill, Part part, boolean below, List<Pad> pads, Wanted.Pad wanted, Phrase because)
      implements Question {
    public Lying {
      pads = List.copyOf(pads);
    }

    /** Gives where a point of the package is seen, from the middle of the part. */
    public PointMm seen(PointMm ofPackage) {
      PointMm from = part.placed().orElseThrow().onBoard(ofPackage);
      return below ? from.mirrored() : from;
    }
  }

  /**
   * A pad to choose.
   *
   * @param key the key of a keypad that lies the same way from its middle
   * @param at where it is seen, from the middle of the part
   */
  record Pad(char key, PointMm at) {}

  /**
   * A row of eight switches.
   *
   * @param value the byte that they stand for, the highest bit at the left
   */
  record Row(Skill skill, int value, NumberBase base, Wanted.Figures wanted, Phrase because)
      implements Question {}

  /**
   * Two parts on a supply.
   *
   * @param firstOhms the upper resistor, or the one at the left
   * @param secondOhms the lower resistor, or the one at the right; 0 where a light stands there
   * @param volts of the supply, 0 where there is none
   * @param forwardVolts of the light, 0 where there is none
   */
  record Two(
      Skill skill,
      double firstOhms,
      double secondOhms,
      double volts,
      double forwardVolts,
      Wanted.Value wanted,
      Phrase because)
      implements Question {}
}
