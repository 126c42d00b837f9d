package tenterhook.adapters.tagfile.mp4;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.bytes.Malformed;

/**
 * Where the list of items stands, or is to stand: {@code moov/udta/meta/ilst}.
 *
 * @param parents the boxes of it that are there without the list itself, the outermost first
 * @param list the list, if it is there
 * @param space the list and what is free around it; nothing where a list goes that is not there
 */
record MetadataPlace(List<Mp4Box> parents, Optional<Mp4Box> list, ByteSpan space) {
  private static final String HANDLER = "mdir";
  private static final int FULL_BOX = 4;

  static MetadataPlace find(FileBytes in, Mp4Box movie) throws IOException {
    List<Mp4Box> parents = new ArrayList<>(List.of(movie));
    Optional<Mp4Box> user = movie.child(in, "udta");
    Optional<Mp4Box> meta = user.isEmpty() ? user : user.get().child(in, "meta");
    user.ifPresent(parents::add);
    if (meta.isEmpty()) {
      return new MetadataPlace(parents, Optional.empty(), end(in, parents.getLast(), 0));
    }
    parents.add(meta.get());
    int own = ownBytes(in, meta.get());
    List<Mp4Box> inside = meta.get().children(in, own);
    for (int i = 0; i < inside.size(); i++) {
      if (inside.get(i).type().equals("ilst")) {
        return new MetadataPlace(parents, Optional.of(inside.get(i)), withFree(inside, i));
      }
    }
    refuseOther(in, inside);
    return new MetadataPlace(parents, Optional.empty(), end(in, meta.get(), own));
  }

  /** Some programs leave out the version of the box. */
  private static int ownBytes(FileBytes in, Mp4Box meta) throws IOException {
    return in.letters(meta.from() + 4, 4).equals("hdlr") ? 0 : FULL_BOX;
  }

  private static void refuseOther(FileBytes in, List<Mp4Box> inside) throws IOException {
    for (Mp4Box box : inside) {
      if (box.type().equals("hdlr") && !in.letters(box.from() + 8, 4).equals(HANDLER)) {
        throw new Malformed("it keeps its metadata in another way than by items");
      }
    }
  }

  private static ByteSpan withFree(List<Mp4Box> inside, int list) {
    int last = list;
    while (last + 1 < inside.size() && inside.get(last + 1).type().equals("free")) {
      last++;
    }
    return new ByteSpan(inside.get(list).at(), inside.get(last).to());
  }

  /** Behind the last box, in front of the zeros that some programs end a box with. */
  private static ByteSpan end(FileBytes in, Mp4Box box, int own) throws IOException {
    List<Mp4Box> inside = box.children(in, own);
    long at = inside.isEmpty() ? box.from() + own : inside.getLast().to();
    return new ByteSpan(at, at);
  }
}
