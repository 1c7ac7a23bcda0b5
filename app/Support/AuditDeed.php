<?php

declare(strict_types=1);

namespace App\Support;

/** What a request to a route amounts to, in the words of the audit, and as a sentence is said of it. */
final readonly class AuditDeed
{
    /**
     * Route → kind, words, what somebody did, and how of whom it was is joined to that, if it is. Whoever adds a route writes it here or
     * below; a test walks them all.
     *
     * @phrases from 3
     */
    private const DEEDS = [
        'clients.show' => ['saw', 'client', 'opened the record', 'of'],
        'clients.edit' => ['saw', 'client’s details', 'opened the details', 'of'],
        'clients.compare' => ['saw', 'before and after', 'compared before and after', 'of'],
        'clients.bring' => ['saw', 'files of a client', 'opened the files', 'of'],
        'clients.report' => ['saw', 'progress report', 'opened the progress report', 'of'],
        'clients.report.pdf' => ['took', 'progress report', 'downloaded the progress report', 'of'],
        'clients.report.keep' => ['changed', 'progress report', 'wrote in the progress report', 'of'],
        'clients.store' => ['changed', 'client written down', 'entered a new client,'],
        'clients.update' => ['changed', 'client’s details', 'changed the details', 'of'],
        'clients.archive' => ['changed', 'client put away', 'put away'],
        'clients.unarchive' => ['changed', 'client taken out again', 'took out again'],
        'clients.merge' => ['changed', 'two clients made one', 'merged another record into that', 'of'],
        'clients.unmerge' => ['changed', 'two clients again', 'parted two merged records', 'of'],
        'clients.erase' => ['changed', 'client erased', 'erased the name and contacts', 'of'],
        'clients.export' => ['took', 'everything of a client', 'downloaded everything kept', 'about'],
        'clients.file' => ['took', 'file of a client', 'downloaded a file', 'of'],
        'clients.bring.apply' => ['changed', 'visits brought in', 'brought in visits', 'of'],
        'clinic.file' => ['took', 'file of the clinic', 'downloaded a file of the clinic'],
        'clinic.bring.apply' => ['changed', 'file brought in', 'brought in a file'],
        'check-ins.store' => ['changed', 'check-in handed out', 'handed out a check-in', 'to'],
        'check-backs.store' => ['changed', 'check-back handed out', 'handed out a check-back', 'to'],
        'check-backs.mail' => ['changed', 'check-back by mail', 'agreed a check-back by mail', 'with'],
        'check-backs.unmail' => ['changed', 'no check-back by mail', 'ended the check-back by mail', 'with'],
        'appointments.store' => ['changed', 'booked', 'booked a time', 'for'],
        'appointments.update' => ['changed', 'appointment', 'changed a booking', 'of'],
        'waiting.store' => ['changed', 'put on the waiting list', 'noted that an earlier time is wished', 'by'],
        'waiting.destroy' => ['changed', 'taken off the waiting list', 'took the wish for an earlier time off the list', 'of'],
        'calendar.open' => ['door', 'address of a calendar made', 'made an address for the calendar'],
        'calendar.close' => ['door', 'address of a calendar closed', 'closed the address of the calendar'],
        'visits.store' => ['changed', 'visit begun', 'began a visit', 'with'],
        'visits.export' => ['took', 'case file', 'downloaded the case file', 'of'],
        'visits.treatment' => ['took', 'treatment', 'downloaded the course of treatment', 'of'],
        'visits.show' => ['saw', 'visit', 'opened a page', 'of'],
        'visits.home-care' => ['saw', 'home care', 'opened the home care sheet', 'of'],
        'visits.home-care.pdf' => ['took', 'home care', 'downloaded the home care sheet', 'of'],
        'visits.home-care.ics' => ['took', 'home care', 'downloaded the home care sheet', 'of'],
        'visits.summary' => ['saw', 'summary', 'opened the summary', 'of'],
        'visits.summary.pdf' => ['took', 'summary', 'downloaded the summary', 'of'],
        'visits.plan.paper' => ['saw', 'plan on paper', 'opened the printed plan', 'of'],
        'visits.letter' => ['saw', 'letter', 'opened the letter', 'of'],
        'visits.letter.pdf' => ['took', 'letter', 'downloaded the letter', 'of'],
        'visits.note' => ['saw', 'note', 'opened the note', 'of'],
        'visits.note.pdf' => ['took', 'note', 'downloaded the note', 'of'],
        'visits.entries' => ['changed', 'record', 'wrote in the record', 'of'],
        'visits.entries.several' => ['changed', 'record', 'wrote in the record', 'of'],
        'visits.check-in' => ['changed', 'check-in taken over', 'took over the check-in', 'of'],
        'visits.plan' => ['changed', 'plan agreed', 'agreed the plan', 'of'],
        'visits.events' => ['changed', 'treatment', 'worked', 'in'],
        'visits.stop' => ['changed', 'visit stopped', 'stopped'],
        'visits.take-up' => ['changed', 'visit taken up', 'took up again'],
        'visits.sign' => ['changed', 'note signed', 'signed the note', 'of'],
        'visits.give-back' => ['changed', 'note given back', 'gave back the note', 'of'],
        'visits.countersign' => ['changed', 'note countersigned', 'countersigned the note', 'of'],
        'visits.correct' => ['changed', 'note corrected', 'corrected the note', 'of'],
        'visits.update' => ['changed', 'minutes of the visit', 'changed the minutes', 'of'],
        'visits.protocols.keep' => ['changed', 'plan kept as a protocol', 'kept the plan as a protocol,', 'from'],
        'protocols.bring' => ['changed', 'protocol brought in', 'brought in a protocol'],
        'protocols.update' => ['changed', 'protocol shared or not', 'changed who sees a protocol'],
        'protocols.destroy' => ['changed', 'protocol put away', 'put away a protocol'],
        'scope.update' => ['changed', 'what is done here', 'changed the scope of practice'],
        'settings.update' => ['changed', 'settings of the clinic', 'changed the settings of the clinic'],
        'people.store' => ['changed', 'somebody invited', 'invited somebody'],
        'people.update' => ['changed', 'somebody’s role', 'changed somebody’s role'],
        'people.close' => ['changed', 'account closed', 'closed an account'],
        'people.open' => ['changed', 'account opened', 'opened an account again'],
        'people.remind' => ['changed', 'invited again', 'invited somebody again'],
        'people.second-factor' => ['changed', 'second factor reset', 'reset somebody’s second factor'],
        'account.password' => ['door', 'password changed', 'changed the own password'],
        'account.everywhere' => ['door', 'signed out elsewhere', 'signed out everywhere else'],
        'second-factor.store' => ['door', 'second factor set up', 'set up a second factor'],
        'second-factor.destroy' => ['door', 'second factor taken away', 'took away the second factor'],
        'sign-in.store' => ['door', 'signed in', 'signed in'],
        'second-step.finish' => ['door', 'signed in', 'signed in'],
        'sign-out' => ['door', 'signed out', 'signed out'],
        'password.email' => ['door', 'new password asked for', 'asked for a new password'],
        'password.update' => ['door', 'password chosen', 'chose a password'],
        'lock.open' => ['door', 'screen unlocked', 'unlocked the screen'],
        'check-in.open' => ['saw', 'check-in opened by the client', 'opened the check-in handed to them'],
        'audit.file' => ['took', 'audit', 'downloaded this log'],
        'audit' => ['saw', 'audit', 'read this log'],
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

    /** What is tried and refused is told by what it would have been. */
    private const TRIED = [
        'agreed' => 'agree', 'asked' => 'ask', 'began' => 'begin', 'booked' => 'book', 'brought' => 'bring', 'changed' => 'change',
        'chose' => 'choose', 'closed' => 'close', 'compared' => 'compare', 'corrected' => 'correct',
        'countersigned' => 'countersign', 'downloaded' => 'download', 'ended' => 'end', 'entered' => 'enter', 'erased' => 'erase',
        'gave' => 'give', 'handed' => 'hand', 'invited' => 'invite', 'kept' => 'keep', 'made' => 'make', 'merged' => 'merge',
        'noted' => 'note', 'opened' => 'open', 'parted' => 'part', 'put' => 'put', 'read' => 'read', 'reset' => 'reset',
        'set' => 'set', 'signed' => 'sign', 'stopped' => 'stop', 'took' => 'take', 'unlocked' => 'unlock', 'worked' => 'work',
        'wrote' => 'write',
    ];

    /** @param  string  $of  how of whom it was follows what was done: "of", "with", or nothing */
    private function __construct(
        public string $kind,
        public string $words,
        public string $done = '',
        public string $of = '',
    ) {
    }

    public static function ofRoute(?string $name): ?self
    {
        return isset(self::DEEDS[$name]) ? new self(...self::DEEDS[$name]) : null;
    }

    /**
     * What stands in a line of the audit, as somebody would say it: "opened the record", "of". What an older version wrote in other words
     * is said in those.
     *
     * @return array{string, string} what was done, and how of whom it was follows
     */
    public static function said(string $kind, string $words, bool $refused): array
    {
        static $known = [];
        foreach ($known === [] ? self::DEEDS : [] as $deed) {
            $known["{$deed[0]} {$deed[1]}"] = [$deed[2], $deed[3] ?? ''];
        }
        if ($words === self::refusedAtTheDoor()->words) {
            return [__('was refused at the door'), ''];
        }
        [$done, $of] = $known["$kind $words"] ?? ($kind === 'saw' ? ["opened $words", 'of'] : [$words, 'of']);
        if (! $refused) {
            return [__($done), __($of)];
        }
        [$verb, $rest] = [...explode(' ', $done, 2), ''];

        return [__('was not allowed to :do', ['do' => trim((self::TRIED[$verb] ?? $verb)." $rest")]), __($of)];
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
