package humble.bench.panel;

/** What carries bytes between switches, memory, processor and lights of a machine. */
public interface Wires {
  /** From where to where a byte goes. */
  enum Way {
    SWITCHES_TO_MEMORY,
    SWITCHES_TO_PROCESSOR,
    MEMORY_TO_PROCESSOR,
    PROCESSOR_TO_MEMORY,
    MEMORY_TO_LIGHTS,
    PROCESSOR_TO_LIGHTS,
    ADDRESS_TO_MEMORY,
    ADDRESS_TO_LIGHTS
  }

  /** Nothing is wrong: every byte arrives as it was. */
  Wires SOUND = (way, value) -> value & 0xff;

  /** Gives what arrives of a byte, 0 to 255. */
  int carried(Way way, int value);
}
