package mezcla.web.readin;

import java.util.List;

/** A list that can be read in. */
enum ListKind {
    MEMBERS("Members", "name, sign-in name, password", "name,sign-in name,password\nWren Alder,wren,\n"),
    BOTTLES("Bottles", "label, holds, material", "label,holds,material\nH1,1 L,glass\nH2,600 ml,folding\n"),
    TANKS(
            "Tanks",
            "name, takes, reels of 135, reels of 120",
            "name,takes,reels of 135,reels of 120\nTwo-reel tank,500 ml,2,1\n"),
    RUNS(
            "Earlier runs",
            "date, batch, owner, format, count",
            "date,batch,owner,format,count\n2031-03-09,2,Wren Alder,135-36,2\n");

    private final String words;
    private final String columns;
    private final String example;

    ListKind(String words, String columns, String example) {
        this.words = words;
        this.columns = columns;
        this.example = example;
    }

    /** In words. */
    public String words() {
        return words;
    }

    /** Its columns, as its heading names them. */
    public List<String> columns() {
        return List.of(columns.split(", ", -1));
    }

    /** A table of one line or two. */
    public String example() {
        return example;
    }
}
