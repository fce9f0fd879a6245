package mezcla.web.access.names;

import java.text.Normalizer;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import mezcla.measure.Refusal;
import mezcla.web.forms.FormObjection;
import org.jspecify.annotations.Nullable;
import org.springframework.security.access.prepost.PreAuthorize;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Keeps what members are and were called. */
@Service
public class Naming {
    private final NameMapper mapper;
    private final AtomicReference<@Nullable Read> read = new AtomicReference<>();

    /** Names, and the state in which they were read. */
    private record Read(String state, KnownNames names) {}

    Naming(NameMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * What members are and were called. Names are read again only when one has come or changed; what a transaction read
     * that may still be rolled back is not remembered.
     */
    @Transactional(readOnly = true)
    public KnownNames known() {
        String state = mapper.state();
        Read before = read.get();
        if (before != null && before.state().equals(state)) {
            return before.names();
        }
        KnownNames names = new KnownNames(mapper.names());
        if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            read.set(new Read(state, names));
        }
        return names;
    }

    /** Calls a member so from now on. */
    @Transactional
    public void isCalled(long memberId, String name) {
        mapper.setName(memberId, name);
        mapper.addName(memberId, name);
    }

    /** Lets a member sign in under that name from now on. */
    @Transactional
    public void signsInAs(long memberId, String signInName) {
        mapper.setSignInName(memberId, signInName);
    }

    /**
     * Refuses a name that somebody else would be taken for, among all who ever belonged to the house.
     *
     * @param exceptId whose own names do not count; 0 for nobody's
     * @throws Refusal {@code member-name-taken}
     */
    @Transactional(readOnly = true)
    public void refuseTaken(String name, long exceptId) {
        if (taken(exceptId).contains(asSeen(name))) {
            throw Refusal.of(new FormObjection.MemberNameTaken(name));
        }
    }

    /** Every name that anybody ever had, as eyes tell it; without those of one member. */
    @Transactional(readOnly = true)
    public Set<String> taken(long exceptId) {
        return mapper.names().stream()
                .filter(known -> known.memberId() != exceptId)
                .map(known -> asSeen(known.text()))
                .collect(Collectors.toCollection(HashSet::new));
    }

    /** A name as eyes tell it from others: without case, accents' forms, spaces and what cannot be seen. */
    public static String asSeen(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFKD)
                .replaceAll("[\\p{M}\\p{C}\\p{Z}]+", "")
                .toLowerCase(Locale.ROOT);
    }

    /**
     * Somebody who left.
     *
     * @param id who
     * @param name what they were called last, or their number
     * @param leftAt when they left
     * @param numbered whether their name has become a number
     */
    public record Former(long id, String name, Instant leftAt, boolean numbered) {}

    /** Everybody who left, the last first. */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional(readOnly = true)
    public List<Former> former() {
        return mapper.former().stream()
                .map(row -> new Former(
                        row.id(), row.name(), row.leftAt(), row.name().equals(numberOf(row.id()))))
                .toList();
    }

    private static String numberOf(long id) {
        return "Former member " + id;
    }

    /**
     * Makes the name of whoever left a number, everywhere it stands as a name.
     *
     * @return the number
     * @throws Refusal {@code unknown-member} for whoever did not leave
     */
    @PreAuthorize("hasRole('STEWARD')")
    @Transactional
    public String becomeNumber(long id) {
        if (mapper.former().stream().noneMatch(each -> each.id() == id)) {
            throw Refusal.of(new FormObjection.UnknownMember());
        }
        String number = numberOf(id);
        mapper.names().stream().filter(name -> name.memberId() == id).forEach(name -> {
            mapper.recordsNumber(name.text(), number);
            mapper.loadsNumber(name.text(), number);
            mapper.proposalsNumber(name.text(), number);
        });
        mapper.setName(id, number);
        mapper.setSignInName(id, "former-" + id);
        mapper.becomesNumber(id, number);
        return number;
    }
}
