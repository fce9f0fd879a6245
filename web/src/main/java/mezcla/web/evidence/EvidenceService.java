package mezcla.web.evidence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.leaflet.Range;
import mezcla.leaflet.SheetLines;
import mezcla.log.HouseDecided;
import mezcla.measure.Refusal;
import mezcla.verdict.HouseEvidence;
import mezcla.verdict.HouseLimit;
import mezcla.web.access.SignedIn;
import mezcla.web.clock.LogClock;
import mezcla.web.decided.BringsBack;
import mezcla.web.decided.Decisions;
import mezcla.web.drawing.plot.EvidenceDrawing;
import mezcla.web.forms.FormObjection;
import mezcla.web.log.DarkroomLog;
import mezcla.web.settings.HouseService;
import mezcla.web.sheets.Leaflets;
import mezcla.web.words.Figures;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells when results of a leaflet's baths really turned here, and keeps the limits that the house sets itself. */
@Service
public class EvidenceService implements BringsBack {
    private final DarkroomLog log;
    private final Leaflets leaflets;
    private final HouseService houses;
    private final Decisions decisions;
    private final LogClock clock;

    EvidenceService(DarkroomLog log, Leaflets leaflets, HouseService houses, Decisions decisions, LogClock clock) {
        this.log = log;
        this.leaflets = leaflets;
        this.houses = houses;
        this.decisions = decisions;
        this.clock = clock;
    }

    /**
     * What was seen of a leaflet.
     *
     * @param id the version of the leaflet
     * @param name what it is called
     * @param title what it comes to
     * @param baths of each bath
     */
    public record Seen(long id, String name, String title, List<OfBath> baths) {}

    /**
     * What was seen of a bath.
     *
     * @param key the bath
     * @param name what it is called
     * @param printed what its leaflet prints
     * @param otherwise what counts where the house has decided nothing
     * @param allowed what the house allows beside that; empty for as printed
     * @param because why; empty for as printed
     * @param summary what was seen
     * @param proposal what that bears out; empty where it is too little
     * @param rolls that, in rolls
     * @param days that, in days
     * @param reason that, as the reason of a decision
     * @param drawing each look in its place; null where there is none
     */
    public record OfBath(
            String key,
            String name,
            String printed,
            String otherwise,
            String allowed,
            String because,
            String summary,
            String proposal,
            String rolls,
            String days,
            String reason,
            @Nullable EvidenceDrawing drawing) {}

    /**
     * What was seen of a leaflet's baths.
     *
     * @throws Refusal {@code unknown-leaflet}
     */
    @Transactional(readOnly = true)
    public Seen seen(long id) {
        Leaflet leaflet = leaflets.version(id);
        List<OfBath> baths = new ArrayList<>();
        int proposals = 0;
        for (Bath bath : leaflet.baths()) {
            HouseEvidence evidence =
                    HouseEvidence.of(log.state(), leaflet, bath, houses.house().timeZone());
            baths.add(ofBath(leaflet, evidence));
            proposals += evidence.proposal() == null ? 0 : 1;
        }
        return new Seen(
                id,
                leaflet.name(),
                proposals == 0
                        ? "Too little was seen yet for limits other than the printed ones"
                        : "What was seen supports limits for %s"
                                .formatted(proposals == 1 ? "one bath" : Figures.number(proposals) + " baths"),
                baths);
    }

    private OfBath ofBath(Leaflet leaflet, HouseEvidence evidence) {
        Bath bath = evidence.bath();
        Optional<HouseService.Allowed> allowed = houses.allowed(leaflet.key(), bath.key());
        HouseEvidence.Proposal proposal = evidence.proposal();
        HouseLimit bears =
                proposal == null ? null : new HouseLimit(leaflet.key(), bath.key(), proposal.rolls(), proposal.days());
        return new OfBath(
                bath.key(),
                bath.role().name(),
                "%s and %s".formatted(printed(bath.capacity(), "roll"), printed(bath.lifeDays(), "day")),
                bath.capacity() == null && bath.lifeDays() == null
                        ? "The leaflet prints no limits for it, so the house’s default limits count."
                        : "The house goes by what is printed.",
                allowed.map(each -> figures(each.limit())).orElse(""),
                allowed.map(HouseService.Allowed::reason).orElse(""),
                summary(evidence),
                bears == null ? "" : figures(bears),
                bears == null || bears.rolls() == null ? "" : Figures.plain(bears.rolls(), 0),
                bears == null || bears.days() == null ? "" : Figures.plain(bears.days(), 0),
                bears == null ? "" : summary(evidence),
                evidence.looks().isEmpty() ? null : EvidenceDrawing.of(evidence));
    }

    private static String figures(HouseLimit limit) {
        List<String> parts = new ArrayList<>();
        if (limit.rolls() != null) {
            parts.add(Figures.countOfRolls(limit.rolls()));
        }
        if (limit.days() != null) {
            parts.add(Figures.countOfDays(limit.days()));
        }
        return String.join(" and ", parts);
    }

    private static String printed(@Nullable Range range, String what) {
        if (range == null) {
            return "no limit in " + what + "s";
        }
        String most = Figures.plain(range.max(), 0);
        String least = Figures.plain(range.min(), 0);
        return (least.equals(most) ? most : least + "–" + most) + " " + what + "s";
    }

    private static String summary(HouseEvidence evidence) {
        long turned =
                evidence.looks().stream().filter(HouseEvidence.Look::turned).count();
        if (evidence.looks().isEmpty()) {
            return "Nobody has judged film of it yet.";
        }
        return "%s at dry film from %s; %s."
                .formatted(
                        Figures.sentence(Figures.count(evidence.looks().size(), "look")),
                        Figures.count(evidence.fills(), "mix").replace("mixs", "mixes"),
                        turned == 0
                                ? "none had turned"
                                : (turned == 1 ? "one had turned" : Figures.number(turned) + " had turned"));
    }

    /**
     * Decides what the house allows of a bath.
     *
     * @param rolls roll equivalents for the printed volume; null for as printed
     * @param days days since mixing; null for as printed
     * @throws Refusal {@code unknown-leaflet} or {@code unknown-bath}
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void allow(
            SignedIn who, long id, String bath, @Nullable Double rolls, @Nullable Double days, String reason) {
        Leaflet leaflet = leaflets.version(id);
        leaflet.bath(bath);
        allow(who, new HouseService.Allowed(new HouseLimit(leaflet.key(), bath, rolls, days), reason));
    }

    private void allow(SignedIn who, HouseService.Allowed allowed) {
        HouseLimit limit = allowed.limit();
        HouseService.Allowed before = houses.allowed(limit.leaflet(), limit.bath())
                .orElseGet(
                        () -> new HouseService.Allowed(new HouseLimit(limit.leaflet(), limit.bath(), null, null), ""));
        houses.allow(limit, allowed.reason(), who.id(), clock.instant());
        decisions.decided(
                HouseDecided.Topic.OWN_LIMIT,
                "%s of %s".formatted(limit.bath(), limit.leaflet()),
                EvidenceService::words,
                before,
                allowed);
    }

    private static String words(HouseService.Allowed allowed) {
        String figures = figures(allowed.limit());
        return figures.isEmpty() ? "as printed" : figures + ", " + allowed.reason();
    }

    @Override
    public HouseDecided.Topic topic() {
        return HouseDecided.Topic.OWN_LIMIT;
    }

    @Override
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public void bringBack(SignedIn who, String subject, String setting) {
        allow(who, Objects.requireNonNull(decisions.read(setting, HouseService.Allowed.class)));
    }

    /** Days from 1 to 999, or weeks, months and years of them; null where nothing was typed. */
    static @Nullable Double days(String typed) {
        String text = typed.strip();
        if (!text.matches(".*[a-zA-Z].*")) {
            return figure(text);
        }
        try {
            return Math.rint(SheetLines.life(text).max());
        } catch (Refusal unread) {
            throw Refusal.of(new FormObjection.NotALimit(text));
        }
    }

    /** A number from 1 to 999; null where nothing was typed. */
    static @Nullable Double figure(String typed) {
        String text = typed.strip().replace(',', '.').toLowerCase(Locale.ROOT);
        if (text.isEmpty()) {
            return null;
        }
        if (!text.matches("[0-9]{1,3}(\\.[0-9])?") || Double.parseDouble(text) < 1) {
            throw Refusal.of(new FormObjection.NotALimit(typed.strip()));
        }
        return Double.valueOf(text);
    }
}
