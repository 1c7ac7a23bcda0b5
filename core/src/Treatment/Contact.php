<?php

declare(strict_types=1);

namespace Somatrace\Core\Treatment;

/** Hands on one place, or on some one after another, at one pressure. */
final readonly class Contact
{
    /**
     * @param  int|null  $part  which manoeuvre of the step; null as told before they were told apart
     * @param  list<string>  $spots  of the muscle; none where it is worked as a whole
     * @param  float  $pressure  felt, 0-10; 0 where nothing is pressed
     * @param  float  $seconds  over all the spots
     */
    private function __construct(
        public ?int $part,
        public array $spots,
        public float $pressure,
        public float $seconds,
        public float $tissueKpa,
        public ?string $tool,
    ) {
    }

    /** Null where the event tells of no contact. */
    public static function in(Event $event): ?self
    {
        $seconds = $event->amount('seconds');
        if (! in_array($event->type, ['pass_reached', 'eased_off', 'deepened', 'hands_off'], true)
            || $seconds === null && $event->type !== 'pass_reached') {
            return null;
        }
        $part = $event->amount('manoeuvre');

        return new self(
            $part === null ? null : (int) $part, $event->texts('spots'), $event->amount('pressure') ?? 0.0, $seconds ?? 0.0,
            $event->amount('tissue_kpa') ?? 0.0, $event->text('tool'),
        );
    }

    /** @return array{manoeuvre: int|null, spots: list<string>, pressure: float, seconds: float, kpa_s: float, tool: string|null} */
    public function toArray(): array
    {
        return [
            'manoeuvre' => $this->part, 'spots' => $this->spots, 'pressure' => $this->pressure, 'seconds' => $this->seconds,
            'kpa_s' => self::tenth($this->seconds * $this->tissueKpa), 'tool' => $this->tool,
        ];
    }

    /** To a tenth, the same way as the page does. */
    public static function tenth(float $value): float
    {
        return floor($value * 10 + 0.5) / 10;
    }
}
