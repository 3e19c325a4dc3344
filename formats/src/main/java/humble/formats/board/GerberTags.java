package humble.formats.board;

/** The attributes of what is drawn: pin, net and component, until they are forgotten. */
final class GerberTags {
  private String pin = "";
  private String net = "";
  private String component = "";
  private Layer.Tags now = Layer.Tags.NONE;

  Layer.Tags now() {
    return now;
  }

  /** Takes what follows TO; attributes that are not asked for here say nothing of the drawing. */
  void attach(String rest) {
    String[] parts = AttributeText.of(rest).split(",", -1);
    switch (parts[0]) {
      case ".P" -> pin = parts.length > 2 ? parts[1] + "." + parts[2] : "";
      case ".N" -> net = parts.length > 1 ? parts[1] : "";
      case ".C" -> component = parts.length > 1 ? parts[1] : "";
      default -> {
        return;
      }
    }
    now = new Layer.Tags(pin, net, component);
  }

  /** Takes what follows TD: all, or one of them. */
  void forget(String rest) {
    boolean all = rest.isEmpty();
    pin = all || rest.equals(".P") ? "" : pin;
    net = all || rest.equals(".N") ? "" : net;
    component = all || rest.equals(".C") ? "" : component;
    now = new Layer.Tags(pin, net, component);
  }
}
