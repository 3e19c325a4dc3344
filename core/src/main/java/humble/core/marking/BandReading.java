package humble.core.marking;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One way to read the bands of a resistor.
 *
 * @param ohms resistance, in ohms
 * @param tolerancePct tolerance, in per cent
 * @param tempcoPpm temperature coefficient, in parts per million per kelvin, when banded
 * @param bands colours in the order read
 * @param reversed whether it was read from the other end
 * @param preferred coarsest preferred series that holds the value, or empty
 */
public record BandReading(
    double ohms,
    double tolerancePct,
    @Nullable Integer tempcoPpm,
    List<BandColour> bands,
    boolean reversed,
    String preferred) {
  public BandReading {
    bands = List.copyOf(bands);
  }
}
