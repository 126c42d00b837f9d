package tenterhook.desktop.gig;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Wish;
import tenterhook.core.gig.WishAnswer;
import tenterhook.core.gig.WishIndex.Offer;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.GigEdits;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** A wish as it was written, and beside it what it is, with all that can be done about it. */
final class WishRow extends HBox {
  private final GigEdits edits;
  private final Gig gig;
  private final Wish wish;

  /**
   * A row.
   *
   * @param held what the wish may be; empty while it is looked for
   * @param away tracks on disks that are not there
   */
  WishRow(
      GigEdits edits,
      Gig gig,
      Wish wish,
      Optional<WishAnswer> held,
      Snapshot snapshot,
      RoaringBitmap away) {
    super(6);
    this.edits = edits;
    this.gig = gig;
    this.wish = wish;
    boolean looking = wish.open() && held.isEmpty();
    WishAnswer answer = held.orElse(new WishAnswer(wish, List.of()));
    boolean gone = known(answer).filter(id -> snapshot.lost(id) || away.contains(id)).isPresent();
    String known = looking ? Words.of("gigs.looking") : standing(answer);
    String standing = gone ? Words.of("gigs.wishGone", known) : known;
    setAlignment(Pos.CENTER_LEFT);
    String written = Words.of("gigs.quoted", wish.line());
    Label line = Look.dataLabel(written);
    Look.tip(line, wish.by().isEmpty() ? written : Words.of("gigs.by", written, wish.by()));
    line.setMinWidth(40);
    HBox.setHgrow(line, Priority.ALWAYS);
    line.setMaxWidth(Double.MAX_VALUE);
    MenuButton what = new MenuButton(standing);
    what.getStyleClass().addAll("quiet", looking ? "second" : gone ? "hole" : style(answer));
    what.setMinWidth(Region.USE_PREF_SIZE);
    what.setAccessibleText(Words.of("gigs.wishIs", wish.line(), standing));
    if (answer.standing() == WishAnswer.Standing.CHOSEN) {
      Look.tip(what, snapshot.name(wish.track()));
      chosen(what);
    }
    for (Offer offer : answer.offers()) {
      int track = offer.tracks().getFirst();
      var item =
          Look.named(
              Words.of("gigs.offer", offer.certainty(), snapshot.name(track), offer.reason()),
              () -> settle(wish.chosen(track)));
      what.getItems().add(item);
    }
    what.getItems()
        .addAll(
            new SeparatorMenuItem(),
            wish.open()
                ? Look.item("gigs.refuse", () -> settle(wish.refuse()))
                : Look.item("gigs.openAgain", () -> settle(wish.chosen(0))));
    getChildren().addAll(line, what);
  }

  /** A wish that is known may be heard for sure, or stand in a part. */
  private void chosen(MenuButton what) {
    Menu parts = new Menu(Words.of("gigs.toPart"));
    for (GigPart part : gig.allParts()) {
      parts
          .getItems()
          .add(Look.named(part.name(), () -> edits.pick(gig, part.name(), List.of(wish.track()))));
    }
    what.getItems()
        .addAll(
            Look.item(
                "gigs.makeMust",
                () ->
                    edits.edit(
                        gig.title(),
                        Words.of("change.gigMust", 1),
                        g -> g.plus(new MustPlay(wish.track(), "", wish.by())))),
            parts);
  }

  private void settle(Wish other) {
    edits.edit(gig.title(), Words.of("change.gigWish", wish.line()), g -> g.settled(other));
  }

  /** The track that a wish is, or surely is. */
  private static Optional<Integer> known(WishAnswer answer) {
    return switch (answer.standing()) {
      case CHOSEN -> Optional.of(answer.wish().track());
      case CERTAIN -> Optional.of(answer.offers().getFirst().tracks().getFirst());
      case POSSIBLE, MISSING, REFUSED -> Optional.empty();
    };
  }

  private static String standing(WishAnswer answer) {
    int count = (int) answer.offers().stream().filter(WishRow::possible).count();
    return switch (answer.standing()) {
      case CHOSEN -> Words.of("gigs.chosen");
      case REFUSED -> Words.of("gigs.refused");
      case CERTAIN -> Words.of("gigs.certain", answer.offers().getFirst().certainty());
      case POSSIBLE -> Words.of("gigs.possible", count);
      case MISSING -> Words.of("gigs.missing");
    };
  }

  private static boolean possible(Offer offer) {
    return offer.certainty() >= WishAnswer.POSSIBLE;
  }

  private static String style(WishAnswer answer) {
    return switch (answer.standing()) {
      case CHOSEN, CERTAIN -> "whole";
      case POSSIBLE -> "doubt";
      case MISSING -> "hole";
      case REFUSED -> "second";
    };
  }
}
