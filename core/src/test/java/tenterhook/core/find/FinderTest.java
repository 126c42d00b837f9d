package tenterhook.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.track.Snapshot;

class FinderTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

  private static final NamedLists LISTS =
      new NamedLists() {
        @Override
        public Optional<RoaringBitmap> crate(String name) {
          return name.equals("Doors") ? Optional.of(Tracks.ids(1, 4)) : Optional.empty();
        }

        @Override
        public Optional<RoaringBitmap> shelf(String name) {
          return name.equals("Rink") ? Optional.of(Tracks.ids(1, 2, 4)) : Optional.empty();
        }
      };

  private final Snapshot snapshot =
      Tracks.none()
          .with(
              "artist=Ottoline Fask",
              "title=Cold Lamps",
              "year=1987",
              "bpm=118",
              "key=Gb minor",
              "genre=Ska",
              "comment=long fade /80S/SKA/",
              "duration=227.2",
              "added=2026-11-20T10:00:00Z")
          .with(
              "artist=Éloïse Tarn-Ø",
              "title=Été gelé",
              "year=1994-05-03",
              "bpm=131.5",
              "genre=Ska\u0000Dub",
              "comment=/90S/ELC/",
              "added=2026-01-05T10:00:00Z")
          .with(
              "artist=",
              "title=Ottoline Fask - Tin Rail",
              "year=0",
              "bpm=",
              "comment=SKATE song",
              "state=lost")
          .with(
              "artist=霧笛ユニット",
              "title=夜の渡し船",
              "year=2023",
              "bpm=124.4",
              "genre=Ska Jazz",
              "resting=yes",
              "rating=4@200")
          .snapshot();

  private RoaringBitmap find(String text) {
    Parsed parsed = FindParser.parse(text, Tracks.BOOK);
    assertThat(parsed).as(text).isInstanceOf(Parsed.Good.class);
    Finder finder = new Finder(snapshot, Tracks.BOOK, LISTS, TODAY);
    return finder.find(((Parsed.Good) parsed).query());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "ottoline; 1,3",
        "ottoline lamps; 1",
        "ELOISE; 2",
        "ete; 2",
        "夜の; 4",
        "artist:fask; 1",
        "artist:=fask; ''",
        "artist:=\"ottoline fask\"; 1",
        "genre:ska; 1,2,4",
        "genre:=ska; 1,2",
        "genre:dub|jazz; 2,4",
        "year:1987; 1",
        "year:1980..1994; 1,2",
        "year:..1990; 1",
        "year:-3y..; 4",
        "missing:year; 3",
        "present:year; 1,2,4",
        "missing:artist; 3",
        "bpm:124; 4",
        "bpm:118..125; 1,4",
        "bpm:118..124; 1",
        "time:3:47; 1",
        "added:-30d..; 1",
        "added:2026-01; 2",
        "added:2026; 1,2",
        "code:ska; 1",
        "code:SKA|ELC; 1,2",
        "style:SKA; 1",
        "missing:style; 3,4",
        "present:era; 1,2",
        "crate:Doors; 1,4",
        "crate:Nothing; ''",
        "shelf:Rink; 1,2,4",
        "not shelf:Rink; 3",
        "beat:62; 4",
        "beat:236..250; 1,4",
        "missing:beat; 3",
        "code:SKA&80S; 1",
        "code:SKA&ELC; ''",
        "genre:~\"s.k.a\"; 1,2,4",
        "genre:\"s k a\"; ''",
        "artist:~\"Ottoline-Fask!\"; 1",
        "text:lamps; 1",
        "file:lost; 3",
        "resting:yes; 4",
        "resting:no; 1,2,3",
        "rating:4; 4",
        "not genre:ska; 3",
        "year:1987 or year:2023; 1,4",
        "(ottoline or ete) not file:lost; 1,2",
        "key:=F#m; 1",
        "key:=Gbm; 1",
        "key:=F#; ''",
        "key:minor; 1",
        "folder:=rink; 1,2,3,4",
        "folder:=Rink/Doors; 1,2,3,4",
        "folder:=Rin; ''",
        "skate; 3"
      })
  void findsExactly(String text, String ids) {
    RoaringBitmap meant = new RoaringBitmap();
    for (String id : ids.split(",")) {
      if (!id.isEmpty()) {
        meant.add(Integer.parseInt(id));
      }
    }
    assertThat(find(text)).as(text).isEqualTo(meant);
  }

  @Test
  void aScopeIsNeverLeft() {
    Finder finder = new Finder(snapshot, Tracks.BOOK, NamedLists.NONE, TODAY);
    Query query = new Query.Not(new Query.Word("nothing like it"));
    assertThat(finder.find(query, Tracks.ids(2, 3))).isEqualTo(Tracks.ids(2, 3));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "col; cold; true",
        "cold; cold lam; true",
        "cold la; cold lam; true",
        "cold; COLDER; true",
        "cold lam; cold; false",
        "cold; warm; false",
        "cold; not cold; false",
        "year:1987; year:1987 cold; false",
        "cold; cold or warm; false",
        "''; cold; false"
      })
  void goingOnTypingNarrows(String wide, String narrow, boolean narrows) {
    Query before = ((Parsed.Good) FindParser.parse(wide, Tracks.BOOK)).query();
    Query after = ((Parsed.Good) FindParser.parse(narrow, Tracks.BOOK)).query();
    assertThat(Finder.narrows(before, after)).isEqualTo(narrows);
    if (narrows) {
      assertThat(RoaringBitmap.andNot(find(narrow), find(wide)).isEmpty()).isTrue();
    }
  }

  @Seeded
  void askedOfOneTrackTheAnswerIsTheSame(long block) {
    Seeds.each(
        block,
        200,
        random -> {
          String text = terms(random);
          Query query = ((Parsed.Good) FindParser.parse(text, Tracks.BOOK)).query();
          Finder finder = new Finder(snapshot, Tracks.BOOK, LISTS, TODAY);
          RoaringBitmap found = finder.find(query);
          snapshot
              .tracks()
              .forEach(
                  (int id) -> assertThat(finder.holds(query, id)).isEqualTo(found.contains(id)));
        });
  }

  @Seeded
  void setAlgebraHolds(long block) {
    Seeds.each(
        block,
        200,
        random -> {
          String a = terms(random);
          String b = terms(random);
          assertThat(find("not (" + a + " or " + b + ")"))
              .isEqualTo(find("not (" + a + ") not (" + b + ")"));
          assertThat(RoaringBitmap.or(find(a), find("not (" + a + ")")))
              .isEqualTo(snapshot.tracks());
          assertThat(find(a + " " + b)).isEqualTo(RoaringBitmap.and(find(a), find(b)));
        });
  }

  private static String terms(Random random) {
    return Seeds.any(
        random,
        "ska",
        "year:1980..1995",
        "missing:bpm",
        "code:SKA",
        "genre:dub",
        "crate:Doors",
        "bpm:..120",
        "resting:yes");
  }
}
