package humble.desktop.own;

/** What a photo shows. */
enum PhotoOf {
  /** The bare board's component side. */
  TOP("top"),
  /** The bare board's solder side. */
  SOLDER("solder"),
  /** The component side with its parts. */
  FITTED("fitted");

  private final String text;

  PhotoOf(String text) {
    this.text = text;
  }

  String text() {
    return text;
  }
}
