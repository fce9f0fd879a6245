package mezcla.web.bench.mix;

import java.time.Instant;
import java.util.List;
import mezcla.leaflet.Bath;
import mezcla.leaflet.Leaflet;
import mezcla.log.AirKept;
import mezcla.log.Place;
import mezcla.web.access.SignedIn;
import mezcla.web.forms.FieldErrors;
import mezcla.web.forms.FormObjection;
import mezcla.web.forms.OneTimeForms;
import mezcla.web.forms.PageView;
import mezcla.web.forms.declared.RefusedAt;
import mezcla.web.forms.declared.Sent;
import mezcla.web.forms.declared.Takes;
import mezcla.web.mixes.MixRequest;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;

/** The Bench: from a kit to a batch. */
@Controller
class MixController {
    private final MixService mixes;
    private final OneTimeForms forms;

    MixController(MixService mixes, OneTimeForms forms) {
        this.mixes = mixes;
        this.forms = forms;
    }

    /** A mix that is only looked at. */
    @RefusedAt(value = "volume", of = "kit=second")
    record PlannedForm(@Takes(asTyped = true) String volume) {}

    @GetMapping("/kits/{id}/mix")
    ModelAndView plan(@PathVariable long id, Sent<PlannedForm> sent) {
        if (!forms.isKey(sent.key())) {
            return forms.askAgainWithNewKey();
        }
        if (!sent.typed().containsKey("volume")) {
            sent.begin("volume", mixes.usualVolume(id));
        }
        return page("bench/mix", id, sent);
    }

    /** The plan on one page, to print. */
    @GetMapping("/kits/{id}/mix/card")
    ModelAndView card(@PathVariable long id, Sent<PlannedForm> sent) {
        return page("bench/card", id, sent);
    }

    @PostMapping("/kits/{id}/batches")
    ModelAndView mix(@PathVariable long id, Sent<MixForm> sent, @AuthenticationPrincipal SignedIn member) {
        Instant when = sent.typed("mixedOn").isBlank()
                ? null
                : sent.read("mixedOn", () -> mixes.mixedOn(id, sent.typed("mixedOn")));
        readPlace(sent);
        MixRequest request = request(id, sent);
        return forms.answer(
                sent,
                form -> "/batches/" + mixes.mix(member, FieldErrors.known(request), when, form) + "?mixed",
                () -> page("bench/mix", id, sent));
    }

    @PostMapping("/kits/{id}/mixes")
    ModelAndView begin(@PathVariable long id, Sent<MixForm> sent, @AuthenticationPrincipal SignedIn member) {
        if (!sent.typed().containsKey("read")) {
            sent.errors().add("read", new FormObjection.CautionsUnread());
        }
        readPlace(sent);
        MixRequest request = request(id, sent);
        return forms.answer(
                sent,
                form -> "/mixes/" + mixes.begin(member, FieldErrors.known(request), form.name(), form.bottles()),
                () -> page("bench/mix", id, sent));
    }

    /** Refuses a place that the house does not have, whichever way the mix goes on. */
    private void readPlace(Sent<?> sent) {
        String place = sent.typed("place");
        if (!place.isEmpty() && mixes.places().stream().noneMatch(each -> place.equals(Long.toString(each.id())))) {
            sent.errors().add("place", new FormObjection.PlaceMissing());
        }
    }

    private @Nullable MixRequest request(long id, Sent<?> sent) {
        return MixForm.request(sent, id, mixes.baths(id), mixes.allMl(id));
    }

    /** A bath to choose. */
    record Choice(Bath bath, boolean mixed) {}

    /** A mix being planned. */
    record Page(
            @Nullable MixView mix,
            @Nullable String already,
            List<String> notes,
            List<MixService.Quick> quick,
            List<MixService.OtherKit> others,
            List<Choice> choice,
            List<Place> places,
            List<AirKept> airs,
            long kitId,
            String kitName) {}

    private ModelAndView page(String template, long id, Sent<?> sent) {
        Leaflet leaflet = mixes.leaflet(id);
        MixRequest request = request(id, sent);
        MixService.Proposal proposal = request == null ? null : sent.plan(() -> mixes.propose(request));
        if (proposal != null) {
            proposal.bottles().forEach((bath, bottle) -> sent.begin("bottles[" + bath + "]", bottle));
        }
        if (sent.errors().none()) {
            sent.beginBlank("name", leaflet.name());
        }
        return PageView.of(
                template,
                new Page(
                        proposal == null ? null : proposal.view(),
                        forms.ledTo(sent.key()).orElse(null),
                        mixes.notes(id),
                        mixes.quick(id),
                        mixes.others(id),
                        mixes.baths(id).stream()
                                .map(bath -> new Choice(bath, MixForm.mixes(sent, bath)))
                                .toList(),
                        mixes.places(),
                        List.of(AirKept.values()),
                        id,
                        leaflet.name()),
                sent);
    }
}
