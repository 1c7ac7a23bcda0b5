<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

/**
 * What happened at the table, however it came in: late, doubled, shuffled, from several devices. A device numbers what it makes above
 * all it knew of, so that what somebody saw comes before what they did about it; where two knew nothing of each other the name of the
 * device decides, the same way everywhere. A clock orders nothing.
 */
final readonly class Stream
{
    /** Consent is given and taken back by its own words, and a taking back is not taken back. */
    private const NEVER_TAKEN_BACK = ['taken_back', 'consent_withdrawn', 'consent_given'];

    /**
     * @param  list<Event>  $standing  in order, each once, without what was taken back
     * @param  list<Event>  $takenBack  in order
     */
    private function __construct(public array $standing, public array $takenBack)
    {
    }

    /** @param  iterable<Event>  $events in any order, any of them more than once */
    public static function of(iterable $events): self
    {
        $all = self::inOrder($events);
        $named = [];
        foreach ($all as $event) {
            $named += $event->type === 'taken_back' ? array_fill_keys($event->texts('events'), true) : [];
        }
        $isBack = static fn (Event $event): bool => isset($named[$event->id]) && ! in_array($event->type, self::NEVER_TAKEN_BACK, true);

        return new self(
            array_values(array_filter($all, static fn (Event $event): bool => ! $isBack($event))),
            array_values(array_filter($all, $isBack)),
        );
    }

    /**
     * @param  iterable<Event>  $events in any order, any of them more than once
     * @return list<Event> each once
     */
    public static function inOrder(iterable $events): array
    {
        $all = [];
        foreach ($events as $event) {
            $all[$event->id] = $event;
        }
        usort($all, static fn (Event $a, Event $b): int => [$a->number, $a->device, $a->id] <=> [$b->number, $b->device, $b->id]);

        return $all;
    }
}
