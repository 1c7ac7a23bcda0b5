<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

/** Where one step stands after what happened in it. Built by {@see Fold} alone. */
final class StepState
{
    /** The worst that was said of its end stands, in whatever order it came in. */
    private const ENDS = ['stopped', 'step_done', 'step_skipped'];

    public bool $isStarted = false;

    /** @var list<Contact> in order */
    public array $contacts = [];

    /** @var list<string> ids, in order */
    public array $signs = [];

    /** @var list<float> what the client said, 0-10, in order */
    public array $numbers = [];

    /** @var list<array{manoeuvre: int, branch: string, answer: string}> */
    public array $answers = [];

    public bool $areHandsOff = false;

    /** Eased off to, and stays for what follows. */
    private ?float $cap = null;

    /** @var array{part: int, to: float}|null set by hand for the manoeuvre in hand */
    private ?array $set = null;

    /** @var array<string, true> "manoeuvre spot" */
    private array $finished = [];

    private int $passes = 0;

    /** @var array<string, Event> by type, the first of each */
    private array $ends = [];

    public ?string $muscle;

    public ?string $side;

    public function __construct(private readonly AgreedStep $step)
    {
        [$this->muscle, $this->side] = [$step->muscle, $step->side];
    }

    public function take(Event $event): void
    {
        $contact = Contact::in($event);
        if ($contact !== null && ! ($event->type === 'pass_reached' && $this->isFinished($contact))) {
            $this->contacts[] = $contact;
        }
        match ($event->type) {
            'step_started' => $this->begin($event),
            'pass_reached' => $this->reach($contact),
            'eased_off' => $this->ease($event->amount('to') ?? 0.0),
            'deepened' => $this->deepen($event->amount('to') ?? 0.0),
            'hands_off' => $this->areHandsOff = true,
            'hands_on' => $this->areHandsOff = false,
            'sign' => $this->signs[] = $event->text('sign') ?? '',
            'number_said' => $this->numbers[] = $event->amount('number') ?? 0.0,
            'answered' => $this->answer($event),
            'stopped', 'step_done', 'step_skipped' => $this->ends[$event->type] ??= $event,
            default => null,
        };
    }

    /** @return 'done'|'skipped'|'stopped'|null */
    public function end(): ?string
    {
        return match ($this->ending()?->type) {
            'stopped' => 'stopped', 'step_done' => 'done', 'step_skipped' => 'skipped', default => null,
        };
    }

    /** By the clock of the table, pauses and all; null while it runs. */
    public function clockSeconds(): ?float
    {
        return $this->ending()?->amount('seconds');
    }

    /** The hands were on for so long, finding and asking included. */
    public function handSeconds(): float
    {
        return array_sum(array_map(static fn (Contact $one): float => $one->seconds, $this->contacts));
    }

    /** As the end of the step told it. */
    public function told(string $key): ?string
    {
        return $this->ending()?->text($key);
    }

    /** @return array{part: int, spot: int} the first place that is not done; the number of manoeuvres where all are */
    public function at(): array
    {
        foreach (array_keys($this->step->parts) as $part) {
            foreach ($this->step->places($part) as $k => $spot) {
                if (! isset($this->finished["$part $spot"])) {
                    return ['part' => $part, 'spot' => $k];
                }
            }
        }

        return ['part' => count($this->step->parts), 'spot' => 0];
    }

    /** What is pressed now, felt; null where nothing is. */
    public function pressure(): ?float
    {
        $part = $this->at()['part'];
        $planned = $this->step->parts[$part]['pressure'] ?? null;
        if ($planned === null) {
            return null;
        }

        return $this->set !== null && $this->set['part'] === $part ? $this->set['to'] : min($planned, $this->cap ?? $planned);
    }

    /** Whether that manoeuvre is done to its end. */
    public function isDone(int $part): bool
    {
        foreach ($this->step->places($part) as $spot) {
            if (! isset($this->finished["$part $spot"])) {
                return false;
            }
        }

        return true;
    }

    private function begin(Event $event): void
    {
        $this->isStarted = true;
        $this->muscle ??= $event->text('muscle');
        $this->side ??= $event->text('side');
    }

    /** Told twice, by two devices that did not know of each other, it was done once. */
    private function isFinished(Contact $contact): bool
    {
        if ($contact->part === null) {
            return false;
        }
        $open = array_filter(
            $contact->spots === [] ? [''] : $contact->spots, fn (string $spot): bool => ! isset($this->finished["$contact->part $spot"]),
        );

        return $open === [];
    }

    private function reach(?Contact $contact): void
    {
        $this->isStarted = true;
        if ($contact?->part !== null) {
            foreach ($contact->spots === [] ? [''] : $contact->spots as $spot) {
                $this->finished["$contact->part $spot"] = true;
            }

            return;
        }
        // told as passes: each is the next manoeuvre that presses, with what stands before it
        $passes = ++$this->passes;
        $pressed = 0;
        foreach ($this->step->parts as $part => $one) {
            $pressed += $one['pressure'] === null ? 0 : 1;
            if ($pressed > $passes || ($pressed === $passes && $one['pressure'] === null)) {
                return;
            }
            $this->finish($part);
        }
    }

    private function finish(int $part): void
    {
        foreach ($this->step->places($part) as $spot) {
            $this->finished["$part $spot"] = true;
        }
    }

    private function ease(float $to): void
    {
        $this->cap = $to;
        $this->set = ['part' => $this->at()['part'], 'to' => $to];
    }

    private function deepen(float $to): void
    {
        $this->cap = $this->cap === null ? null : max($this->cap, $to);
        $this->set = ['part' => $this->at()['part'], 'to' => $to];
    }

    private function answer(Event $event): void
    {
        $part = (int) ($event->amount('manoeuvre') ?? 0);
        $answer = $event->text('answer') ?? '';
        $this->answers[] = ['manoeuvre' => $part, 'branch' => $event->text('branch') ?? '', 'answer' => $answer];
        if (($this->step->parts[$part]['skips'] ?? null) === $answer) {
            $this->finish($part);
        }
    }

    private function ending(): ?Event
    {
        foreach (self::ENDS as $type) {
            if (isset($this->ends[$type])) {
                return $this->ends[$type];
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'started' => $this->isStarted, 'end' => $this->end(), 'clock_seconds' => $this->clockSeconds(),
            'hand_seconds' => Contact::tenth($this->handSeconds()), 'at' => $this->at(), 'pressure' => $this->pressure(),
            'cap' => $this->cap,
            'hands_off' => $this->areHandsOff, 'contacts' => array_map(static fn (Contact $one): array => $one->toArray(), $this->contacts),
            'signs' => $this->signs, 'numbers' => $this->numbers, 'answers' => $this->answers,
        ];
    }
}
