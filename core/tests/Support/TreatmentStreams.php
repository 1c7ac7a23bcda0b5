<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Somatrace\Core\Treatment\Event;

/**
 * Treatments made up by chance: steps as they were agreed, and what one or two devices tell of them, each knowing of the other now and
 * then. Now and then a device tells what cannot be: a spot that was done, a step that is none.
 *
 * @phpstan-type Made array{steps: list<array<string, mixed>>, events: list<Event>}
 */
final class TreatmentStreams
{
    private const MUSCLES = ['soleus', 'levator_scapulae', 'infraspinatus'];

    private Randomizer $chance;

    private int $made = 0;

    public function __construct(int $seed)
    {
        $this->chance = new Randomizer(new Mt19937($seed));
    }

    /** @return Made */
    public function next(): array
    {
        $steps = array_map($this->step(...), range(0, $this->chance->getInt(1, 4)));
        $devices = $this->chance->getInt(0, 2) === 0 ? ['AAAA', 'BBBB'] : ['AAAA'];
        $knows = array_fill_keys($devices, 0);
        $events = [];
        foreach (range(1, $this->chance->getInt(5, 40)) as $ignored) {
            $device = $devices[$this->chance->getInt(0, count($devices) - 1)];
            if ($this->chance->getInt(0, 2) === 0) {
                $knows[$device] = max($knows);
            }
            $step = $steps[$this->chance->getInt(0, count($steps) - 1)];
            [$type, $payload] = $this->happening($step, $events);
            $where = $this->chance->getInt(0, 60) === 0 ? ['all', 's99'][$this->chance->getInt(0, 1)] : $step['id'];
            $events[] = new Event(sprintf('E%06d', ++$this->made), $type, $where, $payload, $device, ++$knows[$device]);
        }

        return ['steps' => $steps, 'events' => $events];
    }

    /**
     * @template T
     *
     * @param  list<T>  $list
     * @return list<T>
     */
    public function shuffled(array $list): array
    {
        return array_values($this->chance->shuffleArray($list));
    }

    /** @return array<string, mixed> */
    private function step(int $k): array
    {
        $hands = $this->chance->getInt(0, 3) > 0;

        return [
            'id' => "s0$k", 'muscle' => $hands ? self::MUSCLES[$this->chance->getInt(0, 2)] : null,
            'side' => $hands ? ['left', 'right'][$this->chance->getInt(0, 1)] : null,
            'manoeuvres' => $hands ? array_map(fn (): array => [
                'spots' => array_map(
                    static fn (int $spot): string => "spot_$spot",
                    $this->chance->getInt(0, 1) === 0 ? [] : range(1, $this->chance->getInt(1, 4)),
                ),
                'pressure' => $this->chance->getInt(0, 3) === 0 ? null : $this->chance->getInt(4, 14) / 2,
                'branch' => [
                    null, ['yes' => ['do' => 'work'], 'no' => ['do' => 'skip']], ['yes' => ['do' => 'skip'], 'no' => ['do' => 'stay']],
                ][$this->chance->getInt(0, 2)],
            ], range(0, $this->chance->getInt(0, 3))) : [],
        ];
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  list<Event>  $before
     * @return array{string, array<string, mixed>}
     */
    private function happening(array $step, array $before): array
    {
        $part = max(0, $this->chance->getInt(0, count($step['manoeuvres'])) - 1);
        $spots = $step['manoeuvres'][$part]['spots'] ?? [];
        $contact = [
            'manoeuvre' => $part,
            'spots' => array_slice($spots, $this->chance->getInt(0, max(0, count($spots) - 1)), $this->chance->getInt(1, 2)),
            'pressure' => $this->chance->getInt(0, 16) / 2, 'seconds' => $this->chance->getInt(0, 900) / 10,
            'tissue_kpa' => $this->chance->getInt(0, 4000) / 10, ...$this->chance->getInt(0, 1) === 0 ? [] : ['tool' => 'thumb'],
        ];
        $slips = $this->chance->shuffleArray(array_map(static fn (Event $one): string => $one->id, $before));

        return match ($this->chance->getInt(0, 15)) {
            0, 1 => ['step_started', $step['muscle'] === null ? [] : ['muscle' => $step['muscle'], 'side' => $step['side']]],
            2, 3, 4, 5 => ['pass_reached', $contact],
            6 => ['pass_reached', ['pressure' => $contact['pressure'], 'seconds' => $contact['seconds'], 'tissue_kpa' => 120]],
            7 => ['eased_off', ['to' => $this->chance->getInt(1, 4)] + ($part === 0 ? [] : $contact)],
            8 => ['deepened', ['to' => $this->chance->getInt(3, 7)] + $contact],
            9 => ['hands_off', $contact],
            10 => ['hands_on', []],
            11 => ['sign', ['sign' => ['softened', 'sharp', 'dizzy'][$this->chance->getInt(0, 2)]]],
            12 => ['number_said', ['number' => $this->chance->getInt(0, 20) / 2, 'manoeuvre' => $part]],
            13 => ['answered', ['manoeuvre' => $part, 'branch' => 'sweep_sore', 'answer' => ['yes', 'no'][$this->chance->getInt(0, 1)]]],
            14 => ['taken_back', ['events' => array_slice([...$slips, 'E999999'], 0, $this->chance->getInt(1, 2))]],
            default => [
                ['step_done', 'step_skipped', 'stopped'][$this->chance->getInt(0, 2)],
                ['seconds' => $this->chance->getInt(0, 5000) / 10, 'technique' => 'stripping', 'tool' => 'thumb'],
            ],
        };
    }
}
