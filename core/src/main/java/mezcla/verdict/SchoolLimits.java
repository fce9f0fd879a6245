package mezcla.verdict;

import java.util.List;
import mezcla.leaflet.Range;
import mezcla.log.Finding;
import mezcla.measure.Slack;
import org.jspecify.annotations.Nullable;

/** What a school makes of a fill's printed limits (rules, section 6). */
abstract class SchoolLimits {
    private static final double LOOK_HOLDS_DAYS = 14;
    private static final double LOOK_HOLDS_ROLLS = 4;

    /** The fill. */
    final FillCondition fill;

    private SchoolLimits(FillCondition fill) {
        this.fill = fill;
    }

    static SchoolLimits of(School school, FillCondition fill) {
        return switch (school) {
            case LEAFLET -> new Leaflet(fill);
            case CAREFUL -> new Careful(fill);
            case STRETCH -> new Stretch(fill);
        };
    }

    /** Adds what speaks against the fill by its limits. */
    abstract void addTo(List<Reason> reasons);

    /** n at which it is used up, scaled; null for no limit. */
    abstract @Nullable Double rollLimit();

    /** Days until its limit, in the school's own days, below 0 when it is past; null for no limit. */
    abstract @Nullable Double daysToGo();

    /** Whose that limit is. */
    abstract Reason.LimitOf whoseDays();

    /** The same in days of the calendar, if it goes on standing as it does now (rules, section 5). */
    @Nullable
    Double calendarDaysToGo() {
        Double own = daysToGo();
        return own == null ? null : Double.valueOf(own / fill.daysADay());
    }

    /** The capacity that wears it; null for none, and for a one-shot, which does not wear. */
    final @Nullable Range capacity() {
        return fill.stock() == null ? fill.capacity() : null;
    }

    final void add(List<Reason> reasons, Reason.Code code, double figure, double limit, Reason.LimitOf whose) {
        reasons.add(new Reason(code, fill.key(), figure, limit, whose));
    }

    /** Whose a limit beside the leaflet's baths is. */
    static Reason.LimitOf whose(Range limits) {
        return switch (limits.whose()) {
            case PRINTED -> Reason.LimitOf.LEAFLET;
            case HOUSE -> Reason.LimitOf.HOUSE;
            case STAND_IN -> Reason.LimitOf.STAND_IN;
        };
    }

    /** Rolls as people count them: those done, and those with the ones that are left, or too many. */
    final void addRolls(List<Reason> reasons, Reason.Code code, double limit, Reason.LimitOf whose) {
        double done = fill.rollsDone();
        add(reasons, code, done, done + (limit - fill.scaledRolls()) / fill.wearPerRoll(), whose);
    }

    /** Whether somebody looked at film lately and found it good, or mended it with a trim. */
    final boolean reassured() {
        FillCondition.Look look = fill.look();
        if (look == null) {
            return false;
        }
        boolean reassuring = look.result() == Finding.GOOD
                || (look.result() == Finding.THIN && Slack.exceeds(fill.trimPercent(), 0));
        return reassuring
                && Slack.reaches(LOOK_HOLDS_DAYS, look.daysAgo())
                && Slack.reaches(LOOK_HOLDS_ROLLS, look.rollsAgo() * fill.wearPerRoll());
    }

    /** Printed limits are law. */
    private static final class Leaflet extends SchoolLimits {
        Leaflet(FillCondition fill) {
            super(fill);
        }

        @Override
        Reason.LimitOf whoseDays() {
            Range life = fill.lifeDays();
            return life == null ? Reason.LimitOf.NOBODY : whose(life);
        }

        @Override
        void addTo(List<Reason> reasons) {
            boolean reassured = reassured();
            Range capacity = capacity();
            double n = fill.scaledRolls();
            if (capacity != null) {
                if (Slack.reaches(n, capacity.max())) {
                    addRolls(reasons, Reason.Code.OVER_ROLLS, capacity.max(), whose(capacity));
                } else if (Slack.reaches(n, capacity.min()) && !reassured) {
                    addRolls(reasons, Reason.Code.TEST_ROLLS, capacity.min(), whose(capacity));
                }
            }
            Range life = fill.lifeDays();
            if (life == null) {
                return;
            }
            if (Slack.exceeds(fill.ageDays(), life.max())) {
                add(reasons, Reason.Code.OVER_AGE, fill.ageDays(), life.max(), whose(life));
                return;
            }
            if (Slack.exceeds(life.max(), life.min()) && Slack.reaches(fill.ageDays(), life.min()) && !reassured) {
                add(reasons, Reason.Code.TEST_AGE, fill.ageDays(), life.min(), whose(life));
            }
            if (Slack.exceeds(fill.effectiveAgeDays(), life.max()) && !reassured) {
                add(reasons, Reason.Code.WARM_STORAGE, fill.effectiveAgeDays(), life.max(), whose(life));
            }
        }

        @Override
        @Nullable
        Double rollLimit() {
            Range capacity = fill.capacity();
            return capacity == null ? null : Double.valueOf(capacity.max());
        }

        @Override
        @Nullable
        Double daysToGo() {
            Range life = fill.lifeDays();
            return life == null ? null : Double.valueOf(life.max() - fill.ageDays());
        }

        /** Its days are the calendar's. */
        @Override
        @Nullable
        Double calendarDaysToGo() {
            return daysToGo();
        }
    }

    /** Rolls and days wear together, against the printed minima. */
    private static final class Careful extends SchoolLimits {
        private static final double TEST_FROM = 0.85;

        Careful(FillCondition fill) {
            super(fill);
        }

        private double rollShare() {
            Range capacity = capacity();
            return capacity == null ? 0 : fill.scaledRolls() / capacity.min();
        }

        private double ageShare() {
            Range life = fill.lifeDays();
            return life == null ? 0 : fill.effectiveAgeDays() / life.min();
        }

        private static double left(double share) {
            double capped = Math.min(1, share);
            return Math.sqrt(1 - capped * capped);
        }

        @Override
        Reason.LimitOf whoseDays() {
            return Reason.LimitOf.CAREFUL;
        }

        @Override
        void addTo(List<Reason> reasons) {
            double wear = Math.hypot(rollShare(), ageShare());
            if (Slack.reaches(wear, 1)) {
                add(reasons, Reason.Code.WORN, wear, 1, Reason.LimitOf.CAREFUL);
            } else if (Slack.reaches(wear, TEST_FROM)) {
                add(reasons, Reason.Code.NEARLY_WORN, wear, TEST_FROM, Reason.LimitOf.CAREFUL);
            }
        }

        @Override
        @Nullable
        Double rollLimit() {
            Range capacity = fill.capacity();
            return capacity == null ? null : Double.valueOf(capacity.min() * left(ageShare()));
        }

        @Override
        @Nullable
        Double daysToGo() {
            Range life = fill.lifeDays();
            return life == null ? null : Double.valueOf(life.min() * left(rollShare()) - fill.effectiveAgeDays());
        }
    }

    /** On until it shows. */
    private static final class Stretch extends SchoolLimits {
        Stretch(FillCondition fill) {
            super(fill);
        }

        @Override
        Reason.LimitOf whoseDays() {
            return Reason.LimitOf.STRETCH;
        }

        @Override
        void addTo(List<Reason> reasons) {
            boolean reassured = reassured();
            Range capacity = capacity();
            if (capacity != null) {
                if (Slack.reaches(fill.scaledRolls(), School.STRETCH_ROLLS * capacity.max())) {
                    addRolls(
                            reasons,
                            Reason.Code.OVER_ROLLS,
                            School.STRETCH_ROLLS * capacity.max(),
                            Reason.LimitOf.STRETCH);
                } else if (Slack.reaches(fill.scaledRolls(), capacity.max()) && !reassured) {
                    addRolls(reasons, Reason.Code.TEST_ROLLS, capacity.max(), Reason.LimitOf.STRETCH);
                }
            }
            Range life = fill.lifeDays();
            if (life == null) {
                return;
            }
            if (Slack.exceeds(fill.effectiveAgeDays(), School.STRETCH_LIVES * life.max())) {
                add(
                        reasons,
                        Reason.Code.OVER_AGE,
                        fill.effectiveAgeDays(),
                        School.STRETCH_LIVES * life.max(),
                        Reason.LimitOf.STRETCH);
            } else if (Slack.exceeds(fill.effectiveAgeDays(), life.max()) && !reassured) {
                add(reasons, Reason.Code.TEST_AGE, fill.effectiveAgeDays(), life.max(), Reason.LimitOf.STRETCH);
            }
        }

        @Override
        @Nullable
        Double rollLimit() {
            Range capacity = fill.capacity();
            return capacity == null ? null : Double.valueOf(School.STRETCH_ROLLS * capacity.max());
        }

        @Override
        @Nullable
        Double daysToGo() {
            Range life = fill.lifeDays();
            return life == null ? null : Double.valueOf(School.STRETCH_LIVES * life.max() - fill.effectiveAgeDays());
        }
    }
}
