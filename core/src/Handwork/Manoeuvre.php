<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Branch;
use Somatrace\Core\Anatomy\Side;

/** One thing the hands do. */
final readonly class Manoeuvre
{
    /**
     * @param  list<string>  $spots  in order
     * @param  list<string>  $spotNames  as they are said
     * @param  array{id: string, side: Side}|null  $setup
     * @param  float  $seconds  at one spot, each time, coming in and leaving included
     * @param  Ceiling|null  $ceiling  what bounds its pressure; null where nothing is pressed
     * @param  float|null  $pressure  felt, 0-10
     * @param  string|null  $say  the words that ask for it
     * @param  list<string>  $endsWhen
     */
    public function __construct(
        public string $slot,
        public string $technique,
        public string $do,
        public array $spots,
        public array $spotNames,
        public ?string $site,
        public ?array $setup,
        public string $tool,
        public string $hand,
        public string $otherHand,
        public ?string $from,
        public ?string $to,
        public string $product,
        public ?string $say,
        public ?string $clientAction,
        public int $repeats,
        public float $seconds,
        public ?Ceiling $ceiling,
        public ?float $pressure,
        public string $leave,
        public array $endsWhen,
        public ?Branch $branch,
        public string $because,
    ) {
    }

    /** Hands on, without finding, moving and asking. */
    public function totalSeconds(): float
    {
        return $this->seconds * $this->repeats * max(1, count($this->spots));
    }

    /**
     * @param  list<string>  $spots
     * @param  list<string>  $spotNames
     */
    public function of(array $spots, array $spotNames, int $repeats): self
    {
        return $this->made($spots, $spotNames, $repeats, $this->ceiling, $this->pressure);
    }

    /** A spot less, or a repeat where there is only one. */
    public function less(): self
    {
        return count($this->spots) > 1
            ? $this->of(array_slice($this->spots, 0, -1), array_slice($this->spotNames, 0, -1), $this->repeats)
            : $this->of($this->spots, $this->spotNames, max(1, $this->repeats - 1));
    }

    public function at(float $pressure): self
    {
        return $pressure === $this->pressure
            ? $this
            : $this->made($this->spots, $this->spotNames, $this->repeats, $this->ceiling, $pressure);
    }

    /** Not stronger than that; what presses nothing stays as it is. */
    public function under(Cap $cap): self
    {
        return $this->ceiling === null || $this->pressure === null ? $this : $this->made(
            $this->spots, $this->spotNames, $this->repeats, $this->ceiling->and($cap), min($this->pressure, floor(2 * $cap->felt) / 2),
        );
    }

    /**
     * @param  list<string>  $spots
     * @param  list<string>  $spotNames
     */
    private function made(array $spots, array $spotNames, int $repeats, ?Ceiling $ceiling, ?float $pressure): self
    {
        return new self(
            $this->slot, $this->technique, $this->do, $spots, $spotNames, $this->site, $this->setup, $this->tool, $this->hand,
            $this->otherHand, $this->from, $this->to, $this->product, $this->say, $this->clientAction, $repeats, $this->seconds,
            $ceiling, $pressure, $this->leave, $this->endsWhen, $this->branch, $this->because,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'technique' => $this->technique, 'do' => $this->do, 'spots' => $this->spots, 'spot_names' => $this->spotNames,
            'setup' => $this->setup === null ? null : ['id' => $this->setup['id'], 'side' => $this->setup['side']->value],
            'tool' => $this->tool, 'hand' => $this->hand, 'other_hand' => $this->otherHand, 'from' => $this->from, 'to' => $this->to,
            'product' => $this->product, 'say' => $this->say, 'client_action' => $this->clientAction, 'repeats' => $this->repeats,
            'seconds' => $this->seconds, 'pressure' => $this->pressure,
            'ceiling' => $this->pressure === null ? null : $this->ceiling?->felt,
            'leave' => $this->leave, 'ends_when' => $this->endsWhen,
            'branch' => $this->branch?->toArray(), 'because' => $this->because,
        ];
    }
}
