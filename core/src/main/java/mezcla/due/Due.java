package mezcla.due;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mezcla.batch.BatchState;
import mezcla.batch.DrumLevel;
import mezcla.batch.FillState;
import mezcla.batch.KitState;
import mezcla.batch.PartState;
import mezcla.batch.Supply;
import mezcla.log.Roll;
import mezcla.log.RunLogged;
import mezcla.log.RunStarted;
import mezcla.planning.QueuedFilm;
import mezcla.verdict.RunPlan;
import mezcla.verdict.RunRemark;
import org.jspecify.annotations.Nullable;

/** One thing that needs doing: with its day, what it is about, and whose it is (rules, section 14). */
public sealed interface Due {
    /** By when; today for what is late. */
    LocalDate day();

    /** The members whose it is to do, as the log names them; none where it is anybody's. */
    default Set<String> whose() {
        return Set.of();
    }

    /** Whether only a steward can do it. */
    default boolean isForStewards() {
        return false;
    }

    /** Has it told by its kind. */
    <R> R tell(Told<R> told);

    /** What becomes of each kind. */
    interface Told<R> {
        R testFirst(TestFirst due);

        R discard(Discard due);

        R batchEnds(BatchEnds due);

        R lastRolls(LastRolls due);

        R switchLeaflet(SwitchLeaflet due);

        R checkShelf(CheckShelf due);

        R collectDrum(CollectDrum due);

        R order(Order due);

        R partEnds(PartEnds due);

        R finishMix(FinishMix due);

        R endRun(EndRun due);

        R lookAtFilm(LookAtFilm due);

        R pickUp(PickUp due);

        R filmWanted(FilmWanted due);

        R decideProposal(DecideProposal due);

        R signOff(SignOff due);

        R copyTooOld(CopyTooOld due);

        R clockInDoubt(ClockInDoubt due);
    }

    /**
     * A batch is to be tested before film that matters, from that day on.
     *
     * @param plan the next run through it
     */
    record TestFirst(LocalDate day, RunPlan plan) implements Due {
        @Override
        public <R> R tell(Told<R> told) {
            return told.testFirst(this);
        }
    }

    /**
     * A batch, or baths of it, are past use.
     *
     * @param plan the next run through it
     */
    record Discard(LocalDate day, RunPlan plan) implements Due {
        @Override
        public <R> R tell(Told<R> told) {
            return told.discard(this);
        }
    }

    /**
     * Baths of a batch have their last day.
     *
     * @param plan the next run through it
     * @param fills those that end that day
     */
    record BatchEnds(LocalDate day, RunPlan plan, List<FillState> fills) implements Due {
        /** Keeps its own list. */
        public BatchEnds {
            fills = List.copyOf(fills);
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.batchEnds(this);
        }
    }

    /**
     * A batch is nearly used up, by about that day at the rate of late.
     *
     * @param plan the next run through it
     * @param rolls how many roll equivalents it still takes
     * @param waiting how much film of its process waits
     */
    record LastRolls(LocalDate day, RunPlan plan, double rolls, int waiting) implements Due {
        @Override
        public <R> R tell(Told<R> told) {
            return told.lastRolls(this);
        }
    }

    /**
     * Baths go by a version of their leaflet that was mistyped.
     *
     * @param plan the next run through the batch
     * @param remark what differs, of the bath in which it matters most
     */
    record SwitchLeaflet(LocalDate day, RunPlan plan, RunRemark.LeafletMistyped remark) implements Due {
        @Override
        public boolean isForStewards() {
            return true;
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.switchLeaflet(this);
        }
    }

    /**
     * Nobody had some bottles in hand for a month.
     *
     * @param bottles how many
     */
    record CheckShelf(LocalDate day, int bottles) implements Due {
        @Override
        public <R> R tell(Told<R> told) {
            return told.checkShelf(this);
        }
    }

    /**
     * A drum is nearly full.
     *
     * @param level how full it is
     */
    record CollectDrum(LocalDate day, DrumLevel level) implements Due {
        @Override
        public <R> R tell(Told<R> told) {
            return told.collectDrum(this);
        }
    }

    /**
     * A kit that the house still uses is to be ordered, so that it comes before the last is mixed.
     *
     * @param supply what is left, and how fast it goes
     * @param deliveryWeeks how long an order takes
     */
    record Order(LocalDate day, Supply supply, int deliveryWeeks) implements Due {
        @Override
        public boolean isForStewards() {
            return true;
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.order(this);
        }
    }

    /**
     * An opened part of a kit has its last day.
     *
     * @param kit the kit
     * @param part the part
     * @param past whether that day is over
     */
    record PartEnds(LocalDate day, KitState kit, PartState part, boolean past) implements Due {
        @Override
        public <R> R tell(Told<R> told) {
            return told.partEnds(this);
        }
    }

    /**
     * A mix was left standing at the bench.
     *
     * @param mix which
     * @param by who began it
     * @param since when
     * @param batch the batch that it becomes
     */
    record FinishMix(LocalDate day, long mix, String by, Instant since, long batch) implements Due {
        @Override
        public Set<String> whose() {
            return Set.of(by);
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.finishMix(this);
        }
    }

    /**
     * A run was begun and never ended.
     *
     * @param run its row
     */
    record EndRun(LocalDate day, RunStarted run) implements Due {
        @Override
        public Set<String> whose() {
            return Set.of(run.stamp().who());
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.endRun(this);
        }
    }

    /**
     * Dry film was looked at by nobody.
     *
     * @param batch the batch
     * @param runs its runs, the latest last; one at least
     */
    record LookAtFilm(LocalDate day, BatchState batch, List<RunLogged> runs) implements Due {
        /** Keeps its own list. */
        public LookAtFilm {
            runs = List.copyOf(runs);
        }

        @Override
        public Set<String> whose() {
            return runs.stream()
                    .flatMap(run -> run.rolls().stream())
                    .map(Roll::owner)
                    .filter(owner -> !owner.equals(Roll.HOUSE))
                    .collect(Collectors.toSet());
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.lookAtFilm(this);
        }
    }

    /**
     * Film is dry, and its owner does not have it yet.
     *
     * @param owner whose
     * @param by who brought it
     * @param film the film
     */
    record PickUp(LocalDate day, String owner, String by, List<QueuedFilm> film) implements Due {
        /** Keeps its own list. */
        public PickUp {
            film = List.copyOf(film);
        }

        @Override
        public Set<String> whose() {
            return Set.copyOf(List.of(owner, by));
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.pickUp(this);
        }
    }

    /**
     * Film is wanted by a day, and waits.
     *
     * @param film the film
     */
    record FilmWanted(LocalDate day, QueuedFilm film) implements Due {
        @Override
        public Set<String> whose() {
            return Set.copyOf(List.of(film.roll().owner(), film.dropped().broughtBy()));
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.filmWanted(this);
        }
    }

    /**
     * A member proposed a kit.
     *
     * @param proposal which
     * @param by who
     */
    record DecideProposal(LocalDate day, long proposal, String by) implements Due {
        @Override
        public boolean isForStewards() {
            return true;
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.decideProposal(this);
        }
    }

    /**
     * Members finished their practice, or their first run, and no steward has signed it off.
     *
     * @param members who
     */
    record SignOff(LocalDate day, List<String> members) implements Due {
        /** Keeps its own list. */
        public SignOff {
            members = List.copyOf(members);
        }

        @Override
        public boolean isForStewards() {
            return true;
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.signOff(this);
        }
    }

    /**
     * The last copy of everything is too old.
     *
     * @param last its day; null for none
     */
    record CopyTooOld(LocalDate day, @Nullable LocalDate last) implements Due {
        private static final int KEEPS_DAYS = 3;

        /**
         * The same, where it is due: three days after the last copy, or after the house began without one.
         *
         * @param begun when the house began
         */
        public static Optional<Due> of(LocalDate today, @Nullable LocalDate last, LocalDate begun) {
            LocalDate since = last == null ? begun : last;
            return since.isBefore(today.minusDays(KEEPS_DAYS))
                    ? Optional.of(new CopyTooOld(today, last))
                    : Optional.empty();
        }

        @Override
        public boolean isForStewards() {
            return true;
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.copyTooOld(this);
        }
    }

    /** The machine's clock is in doubt. */
    record ClockInDoubt(LocalDate day) implements Due {
        @Override
        public boolean isForStewards() {
            return true;
        }

        @Override
        public <R> R tell(Told<R> told) {
            return told.clockInDoubt(this);
        }
    }
}
