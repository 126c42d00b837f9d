package tenterhook.adapters.store;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntFunction;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Limit;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.Shelf;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.track.TrackOrder;

/** A shelf, with those in it, as a JSON file, to be read and edited by hand; see docs/files.md. */
public final class CrateJson {
  private static final String FORM = "shelf";
  private static final String PER_ARTIST = "perArtist";
  private static final String APART = "apart";
  private static final String SHELVES = "shelves";

  private CrateJson() {}

  /**
   * A shelf as JSON text.
   *
   * @param shelf the shelf
   * @param place its place among the shelves, from 0
   * @param trackName how a hand crate names a track, such as {@code Music/Rink/Doors/a.mp3}
   */
  public static String write(Shelf shelf, int place, IntFunction<String> trackName) {
    ObjectNode root = CodebookJson.form(FORM);
    write(shelf, root.put("name", shelf.name()).put("place", place), trackName);
    return CodebookJson.text(root);
  }

  private static void write(Shelf shelf, ObjectNode root, IntFunction<String> trackName) {
    write(shelf.never(), root, trackName);
    ArrayNode crates = root.putArray("crates");
    for (Crate crate : shelf.crates()) {
      write(crate, crates.addObject().put("name", crate.name()), trackName);
    }
    for (Shelf inner : shelf.shelves()) {
      write(inner, root.withArray(SHELVES).addObject().put("name", inner.name()), trackName);
    }
  }

  static void write(NeverPlay never, ObjectNode root, IntFunction<String> trackName) {
    if (!never.isEmpty()) {
      ObjectNode into = root.putObject("never");
      never.lines().forEach(l -> into.withArray("lines").add(l.text()));
      never.tracks().forEach(id -> into.withArray("tracks").add(trackName.apply(id)));
    }
  }

  private static void write(Crate crate, ObjectNode into, IntFunction<String> trackName) {
    switch (crate) {
      case Crate.HandCrate hand -> {
        ArrayNode tracks = into.putArray("tracks");
        hand.tracks().forEach(id -> tracks.add(trackName.apply(id)));
      }
      case Crate.RuleCrate rule -> {
        write(rule.order(), into);
        if (!rule.limit().none()) {
          write(rule.limit(), into.putObject("limit"));
        }
        if (rule.resting()) {
          into.put("resting", true);
        }
        write(rule.rule(), into.putObject("keep"));
      }
    }
  }

  static void write(List<TrackOrder.Key> keys, ObjectNode into) {
    ArrayNode order = into.putArray("order");
    keys.forEach(k -> order.add((k.falling() ? "-" : "") + k.field()));
  }

  private static void write(Limit limit, ObjectNode into) {
    if (limit.amount() > 0) {
      into.put(limit.unit().name().toLowerCase(Locale.ROOT), limit.amount());
    }
    if (limit.perArtist() > 0) {
      into.put(PER_ARTIST, limit.perArtist());
    }
    if (limit.apart()) {
      into.put(APART, true);
    }
    if (limit.draw() != 0) {
      into.put("draw", limit.draw());
    }
  }

  static void write(Rule.RuleGroup group, ObjectNode into) {
    ArrayNode parts = into.putArray(group.kind().name().toLowerCase(Locale.ROOT));
    for (Rule part : group.parts()) {
      switch (part) {
        case Rule.Line line -> parts.add(line.text());
        case Rule.RuleGroup inner -> write(inner, parts.addObject());
      }
    }
  }

  /**
   * Reads a shelf.
   *
   * @param text JSON
   * @param track the id of a track that a hand crate names
   * @throws IllegalArgumentException when it is not a shelf, or names a track that is not known;
   *     the message says where
   */
  public static Shelf read(String text, Function<String, Optional<Integer>> track) {
    return shelf(CodebookJson.parse(text, FORM), track);
  }

  private static Shelf shelf(JsonNode root, Function<String, Optional<Integer>> track) {
    List<Crate> crates = new ArrayList<>();
    for (JsonNode one : root.path("crates")) {
      String name = one.path("name").asText();
      if (one.has("keep")) {
        crates.add(
            new Crate.RuleCrate(
                name,
                group(one.path("keep")),
                order(one),
                limit(one.path("limit")),
                one.path("resting").asBoolean()));
      } else {
        crates.add(new Crate.HandCrate(name, ids(one.path("tracks"), track)));
      }
    }
    List<Shelf> shelves = new ArrayList<>();
    root.path(SHELVES).forEach(inner -> shelves.add(shelf(inner, track)));
    return new Shelf(root.path("name").asText(), crates, shelves, never(root.path("never"), track));
  }

  static NeverPlay never(JsonNode said, Function<String, Optional<Integer>> track) {
    List<Rule.Line> lines = new ArrayList<>();
    said.path("lines").forEach(l -> lines.add(line(l.asText())));
    return new NeverPlay(ids(said.path("tracks"), track), lines);
  }

  static List<Integer> ids(JsonNode names, Function<String, Optional<Integer>> track) {
    List<Integer> ids = new ArrayList<>();
    names.forEach(n -> ids.add(id(n.asText(), track)));
    return ids;
  }

  static int id(String name, Function<String, Optional<Integer>> track) {
    return track
        .apply(name)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "the collection has no track " + name + "; scan it in, or mend the name"));
  }

  /**
   * {@code ["-year", "artist"]}; one field is also read as {@code "sort"} and {@code "falling"}.
   */
  private static List<TrackOrder.Key> order(JsonNode crate) {
    return crate.has("order")
        ? keys(crate.path("order"))
        : List.of(
            new TrackOrder.Key(
                crate.path("sort").asText("artist"), crate.path("falling").asBoolean()));
  }

  static List<TrackOrder.Key> keys(JsonNode said) {
    List<TrackOrder.Key> order = new ArrayList<>();
    for (JsonNode key : said) {
      boolean falling = key.asText().startsWith("-");
      order.add(new TrackOrder.Key(key.asText().substring(falling ? 1 : 0), falling));
    }
    return order;
  }

  /**
   * {@code {"minutes": 60, "draw": 7, "perArtist": 1, "apart": true}}, or a bare number of tracks.
   */
  private static Limit limit(JsonNode said) {
    if (said.isNumber()) {
      return Limit.tracks(said.asInt());
    }
    Limit limit =
        Limit.NONE
            .drawn(said.path("draw").asLong())
            .perArtist(said.path(PER_ARTIST).asInt())
            .apart(said.path(APART).asBoolean());
    for (Limit.Unit unit : Limit.Unit.values()) {
      JsonNode amount = said.path(unit.name().toLowerCase(Locale.ROOT));
      if (amount.isNumber()) {
        return limit.of(unit, amount.asInt());
      }
    }
    return limit.none() ? Limit.NONE : limit;
  }

  /** The place among the shelves that a shelf's JSON gives. */
  static int place(String text) {
    return CodebookJson.parse(text, FORM).path("place").asInt();
  }

  static Rule.RuleGroup group(JsonNode node) {
    for (Rule.Kind kind : Rule.Kind.values()) {
      JsonNode parts = node.path(kind.name().toLowerCase(Locale.ROOT));
      if (parts.isArray()) {
        List<Rule> rules = new ArrayList<>();
        parts.forEach(p -> rules.add(p.isTextual() ? line(p.asText()) : group(p)));
        return new Rule.RuleGroup(kind, rules);
      }
    }
    throw new IllegalArgumentException("a group says \"all\", \"any\" or \"none\": " + node);
  }

  /** A rule line from text: one term of the find language. */
  public static Rule.Line line(String text) {
    return switch (FindParser.parseAnyFacet(text)) {
      case Parsed.Good good ->
          Rule.line(good.query())
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "a line is one term such as year:1990..1999, not: " + text));
      case Parsed.Bad bad ->
          throw new IllegalArgumentException(
              text + ": " + bad.message() + " (character " + (bad.position() + 1) + ")");
    };
  }

  /** All shelves with tracks by id, for the ledger and the database. */
  public static String byId(Crates crates) {
    ArrayNode all = CodebookJson.JSON.createArrayNode();
    for (int i = 0; i < crates.shelves().size(); i++) {
      all.add(write(crates.shelves().get(i), i, String::valueOf));
    }
    return CodebookJson.text(all);
  }

  /** Reads what {@link #byId} wrote. */
  public static Crates fromIds(String text) {
    try {
      List<Shelf> shelves = new ArrayList<>();
      for (JsonNode one : CodebookJson.JSON.readTree(text)) {
        shelves.add(read(one.asText(), id -> Optional.of(Integer.parseInt(id))));
      }
      return new Crates(shelves);
    } catch (com.fasterxml.jackson.core.JsonProcessingException broken) {
      throw new IllegalArgumentException("the stored crates are damaged", broken);
    }
  }
}
