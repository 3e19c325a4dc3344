package humble.proofs.fuzz;

/**
 * An input that a reader did not stand.
 *
 * @param input number of the input
 * @param what what happened: the exception and where it came from, or that it hung
 */
record Finding(long input, String what) {
  static Finding of(long input, Throwable thrown) {
    StringBuilder text = new StringBuilder(thrown.getClass().getSimpleName());
    text.append(": ").append(String.valueOf(thrown.getMessage()).lines().findFirst().orElse(""));
    int frames = 0;
    for (StackTraceElement frame : thrown.getStackTrace()) {
      if (frame.getClassName().startsWith("humble.") && frames++ < 3) {
        text.append(" at ").append(frame.getFileName()).append(':').append(frame.getLineNumber());
      }
    }
    return new Finding(input, text.toString());
  }
}
