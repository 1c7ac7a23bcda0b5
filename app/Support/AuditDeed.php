<?php

declare(strict_types=1);

namespace App\Support;

/** What a request to a route amounts to, in the words of the audit. */
final readonly class AuditDeed
{
    /** Route → kind and words. Whoever adds a route writes it here or below; a test walks them all. */
    private const DEEDS = [
        'clients.show' => ['saw', 'client'], 'clients.edit' => ['saw', 'client’s details'],
        'clients.compare' => ['saw', 'before and after'], 'clients.bring' => ['saw', 'files of a client'],
        'clients.report' => ['saw', 'progress report'], 'clients.report.pdf' => ['took', 'progress report'],
        'clients.report.keep' => ['changed', 'progress report'],
        'clients.store' => ['changed', 'client written down'], 'clients.update' => ['changed', 'client’s details'],
        'clients.archive' => ['changed', 'client put away'], 'clients.unarchive' => ['changed', 'client taken out again'],
        'clients.merge' => ['changed', 'two clients made one'], 'clients.unmerge' => ['changed', 'two clients again'],
        'clients.erase' => ['changed', 'client erased'],
        'clients.export' => ['took', 'everything of a client'], 'clients.file' => ['took', 'file of a client'],
        'clients.bring.apply' => ['changed', 'visits brought in'],
        'clinic.file' => ['took', 'file of the clinic'], 'clinic.bring.apply' => ['changed', 'file brought in'],
        'check-ins.store' => ['changed', 'check-in handed out'], 'check-backs.store' => ['changed', 'check-back handed out'],
        'check-backs.mail' => ['changed', 'check-back by mail'], 'check-backs.unmail' => ['changed', 'no check-back by mail'],
        'appointments.store' => ['changed', 'booked'], 'appointments.update' => ['changed', 'appointment'],
        'waiting.store' => ['changed', 'put on the waiting list'], 'waiting.destroy' => ['changed', 'taken off the waiting list'],
        'calendar.open' => ['door', 'address of a calendar made'], 'calendar.close' => ['door', 'address of a calendar closed'],
        'visits.store' => ['changed', 'visit begun'], 'visits.export' => ['took', 'case file'],
        'visits.treatment' => ['took', 'treatment'], 'visits.show' => ['saw', 'visit'],
        'visits.home-care' => ['saw', 'home care'], 'visits.home-care.pdf' => ['took', 'home care'],
        'visits.home-care.ics' => ['took', 'home care'],
        'visits.summary' => ['saw', 'summary'], 'visits.summary.pdf' => ['took', 'summary'],
        'visits.plan.paper' => ['saw', 'plan on paper'],
        'visits.letter' => ['saw', 'letter'], 'visits.letter.pdf' => ['took', 'letter'], 'visits.note' => ['saw', 'note'],
        'visits.note.pdf' => ['took', 'note'],
        'visits.entries' => ['changed', 'record'], 'visits.entries.several' => ['changed', 'record'],
        'visits.check-in' => ['changed', 'check-in taken over'], 'visits.plan' => ['changed', 'plan agreed'],
        'visits.events' => ['changed', 'treatment'], 'visits.stop' => ['changed', 'visit stopped'],
        'visits.take-up' => ['changed', 'visit taken up'], 'visits.sign' => ['changed', 'note signed'],
        'visits.countersign' => ['changed', 'note countersigned'], 'visits.correct' => ['changed', 'note corrected'],
        'visits.update' => ['changed', 'minutes of the visit'],
        'visits.protocols.keep' => ['changed', 'plan kept as a protocol'], 'protocols.bring' => ['changed', 'protocol brought in'],
        'protocols.update' => ['changed', 'protocol shared or not'], 'protocols.destroy' => ['changed', 'protocol put away'],
        'scope.update' => ['changed', 'what is done here'], 'settings.update' => ['changed', 'settings of the clinic'],
        'people.store' => ['changed', 'somebody invited'], 'people.update' => ['changed', 'somebody’s role'],
        'people.close' => ['changed', 'account closed'], 'people.open' => ['changed', 'account opened'],
        'people.remind' => ['changed', 'invited again'], 'people.second-factor' => ['changed', 'second factor reset'],
        'account.password' => ['door', 'password changed'], 'account.everywhere' => ['door', 'signed out elsewhere'],
        'second-factor.store' => ['door', 'second factor set up'], 'second-factor.destroy' => ['door', 'second factor taken away'],
        'sign-in.store' => ['door', 'signed in'], 'second-step.finish' => ['door', 'signed in'], 'sign-out' => ['door', 'signed out'],
        'password.email' => ['door', 'new password asked for'], 'password.update' => ['door', 'password chosen'],
        'lock.open' => ['door', 'screen unlocked'],
        'check-in.open' => ['saw', 'check-in opened by the client'], 'audit.file' => ['took', 'audit'], 'audit' => ['saw', 'audit'],
    ];

    /**
     * Nothing of a client is read there and nothing is changed that anybody has to answer for; or the page asks again and again for what
     * its visit's line already says.
     */
    public const NOT_KEPT = [
        'health', 'sign-in', 'second-step', 'password.request', 'password.reset', 'outbox', 'today', 'caseload', 'calendar',
        'calendar.feed', 'account', 'account.settings', 'account.prefers',
        'people', 'scope', 'settings', 'second-factor.begin',
        'help', 'atlas', 'atlas.search', 'atlas.show', 'atlas.trainer', 'atlas.trainer.answer', 'atlas.lean', 'atlas.lean.store',
        'atlas.lean.plate', 'atlas.lean.destroy', 'clients.create', 'clients.search', 'clients.find',
        'clients.index',
        'check-in.code', 'check-in.enter', 'check-in.show', 'check-in.update', 'visits.entries.index', 'visits.consent', 'visits.worklist',
        'visits.device', 'visits.what-if', 'visits.plan.tries', 'visits.protocols', 'visits.protocols.tries', 'protocols.file',
        'clients.bring.preview', 'bring.progress', 'clinic.files', 'clinic.bring.preview', 'lock.close', 'lock.show', 'lock.touch',
    ];

    private function __construct(public string $kind, public string $words)
    {
    }

    public static function ofRoute(?string $name): ?self
    {
        return isset(self::DEEDS[$name]) ? new self(...self::DEEDS[$name]) : null;
    }

    /** @return list<string> */
    public static function routes(): array
    {
        return array_keys(self::DEEDS);
    }

    public static function refusedAtTheDoor(): self
    {
        return new self('door', 'refused at the door');
    }

    /** What somebody tried and may not: by the words of the deed, or by the name of the page where there are none. */
    public static function tried(string $route): self
    {
        return self::ofRoute($route) ?? new self('saw', str_replace(['.', '-'], ' ', $route));
    }
}
