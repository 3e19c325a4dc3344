package humble.core.intake;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** What a column of a parts list or a placement list is about. */
public enum Column {
  LINE("id", "line", "lineid"),
  REFS(
      "refs",
      "ref",
      "references",
      "reference",
      "referencedesignator",
      "referencedesignators",
      "refdes",
      "designator",
      "designators",
      "designation",
      "position",
      "positions",
      "place",
      "places",
      "location",
      "locations",
      "parts",
      "bezeichner",
      "referenz",
      "bauteil",
      "repere",
      "reperes"),
  VALUE(
      "value",
      "values",
      "val",
      "comment",
      "rating",
      "wert",
      "valeur",
      "valor",
      "valore",
      "waarde",
      "partvalue",
      "componentvalue"),
  PACKAGE(
      "package",
      "footprint",
      "case",
      "casesize",
      "pattern",
      "housing",
      "size",
      "pcbfootprint",
      "footprintname",
      "packagecase",
      "casepackage",
      "caseform",
      "decal",
      "landpattern",
      "encapsulado",
      "bauform",
      "gehause",
      "boitier"),
  PIECES(
      "pieces",
      "qty",
      "quantity",
      "count",
      "number",
      "amount",
      "pcs",
      "no",
      "needed",
      "qtyperboard",
      "quantityperboard",
      "qtyperpcb",
      "qtyperkit",
      "perboard",
      "cantidad",
      "quantita",
      "aantal",
      "stuckzahl",
      "stk",
      "menge",
      "anzahl",
      "stuck",
      "quantite",
      "nombre"),
  SUPPLIED("supplied", "inbag", "inthebag", "have"),
  KIND(
      "kind",
      "type",
      "category",
      "parttype",
      "componenttype",
      "device",
      "devicetype",
      "art",
      "typ"),
  /** What a maker or a shop calls the part; it may be a type number. */
  PART_NUMBER(
      "partnumber",
      "partno",
      "mpn",
      "manufacturerpartnumber",
      "mfrpartnumber",
      "mfgpartnumber",
      "orderno",
      "ordernumber",
      "bestellnummer",
      "artikelnummer",
      "teilenummer"),
  /** A number of the row itself. */
  ROW_NUMBER("rownumber", "rowno", "lineno", "linenumber", "pos", "nr", "index"),
  DESCRIPTION(
      "description",
      "desc",
      "details",
      "text",
      "name",
      "part",
      "component",
      "item",
      "note",
      "notes",
      "remark",
      "remarks",
      "beschreibung",
      "bemerkung"),
  TOLERANCE("tolerance", "tol", "tolerancepct", "toleranz"),
  BANDS("bands"),
  COLOURS(
      "colours",
      "colors",
      "colourcode",
      "colorcode",
      "colourbands",
      "colorbands",
      "farbcode",
      "farben"),
  MARKING("marking", "markings", "mark", "printed", "code", "aufdruck"),
  BAG("bag", "packet", "pouch", "beutel", "tute"),
  HOME("home"),
  /** The version that alone has this part. */
  OPTION("option", "variant", "version", "build"),
  /** What the legs are, pin 1 first: {@code c b e}. */
  PIN_ORDER("pinorder", "pinout"),
  /** The pin that is fed, and the one that is ground. */
  SUPPLY_PINS("supplypins", "powerpins"),
  /** Volts that the model of a light, a zener or a regulator has, as somebody decided. */
  MODEL_VOLTS("modelvolts"),
  SPARE("spareok"),
  POLARITY("polaritymarks"),
  FRAGILE("fragile"),
  SUBSTITUTES("substitutes"),
  STRIP("stripof"),
  UNPOLARISED("unpolarised", "unpolarized"),
  LIGHT("colour", "color"),
  CLEAR_LENS("clearlens"),
  METHOD("method"),
  ON_BOARD("onboard"),
  MOST_MA("maxma"),
  COMES_OFF("comesoff"),
  RATED_V("ratedv", "voltagerating", "ratedvoltage"),
  RATED_C("ratedc", "temperaturerating", "ratedtemperature"),
  /** The aged part in whose place it goes, as {@code key=value} words, the value last. */
  AGED("aged"),
  LEAVE_OUT(
      "leaveout",
      "dnf",
      "dnp",
      "dni",
      "donotfit",
      "donotpopulate",
      "donotplace",
      "donotinstall",
      "nofit",
      "notfitted",
      "nichtbestuckt"),
  /** Whether the part is fitted at all: the other way round. */
  FITTED("fitted", "fit", "populate", "populated", "mounted", "placed", "assemble", "bestuckt"),
  X("x", "xpos", "posx", "centerx", "centrex", "midx", "xcoordinate", "xcoord"),
  Y("y", "ypos", "posy", "centery", "centrey", "midy", "ycoordinate", "ycoord"),
  ROTATION("rotation", "rot", "angle", "orientation", "rotationdeg", "turn", "drehung", "winkel"),
  SIDE("side", "layer", "face", "tb", "seite", "lage"),
  BOARD("board", "platine"),
  MOUNT("mount"),
  STANDOFF("standoff", "standoffmm");

  /**
   * What is longer heads no column; brackets without an end would be looked for again and again.
   */
  private static final int LONGEST = 100;

  private final Set<String> names;

  Column(String... names) {
    this.names = Set.of(names);
  }

  /**
   * Gives the column that a heading names. Case, blanks, signs, accents and a unit in brackets or
   * at the end do not matter.
   */
  public static Optional<Column> named(String heading) {
    if (heading.length() > LONGEST) {
      return Optional.empty();
    }
    String plain = plain(heading);
    for (Column column : values()) {
      if (column.names.contains(plain)) {
        return Optional.of(column);
      }
    }
    // Two names for one thing: Qty/Quantity, Ref/Designator.
    if (heading.contains("/") || heading.contains("|")) {
      for (String part : heading.split("[/|]")) {
        String one = plain(part);
        for (Column column : values()) {
          if (!one.isEmpty() && column.names.contains(one)) {
            return Optional.of(column);
          }
        }
      }
    }
    String unitless = plain.replaceFirst("(mm|mil|mils|inch|in|deg|degrees)$", "");
    for (Column column : values()) {
      if (!unitless.isEmpty() && column.names.contains(unitless)) {
        return Optional.of(column);
      }
    }
    return Optional.empty();
  }

  private static String plain(String heading) {
    String unbracketed = heading.replaceAll("[(\\[][^)\\]]*[)\\]]", " ");
    return java.text.Normalizer.normalize(unbracketed, java.text.Normalizer.Form.NFD)
        .replaceAll("\\p{M}", "")
        .toLowerCase(Locale.ROOT)
        .replaceAll("[^a-z0-9]", "");
  }

  /** Gives the worth of one unit of a heading such as {@code X (mil)}, in millimetres. */
  public static double unitMm(String heading) {
    if (heading.length() > LONGEST) {
      return 1;
    }
    String lower = heading.toLowerCase(Locale.ROOT);
    if (lower.matches(".*\\bmils?\\b.*") || lower.matches(".*[_ ]mils?$")) {
      return 0.0254;
    }
    return lower.matches(".*(\\binch(es)?\\b|\\bin\\b|_in$|_inch$|\").*") ? 25.4 : 1;
  }
}
