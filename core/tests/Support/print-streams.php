<?php

/** Prints treatments made up by chance and what the core folds them to, a line each: the page is held to it (tests/unit/fold.test.ts). */
declare(strict_types=1);

use Somatrace\Core\Tests\Support\TreatmentStreams;
use Somatrace\Core\Treatment\Event;
use Somatrace\Core\Treatment\Fold;

require __DIR__.'/../../../vendor/autoload.php';

[, $count, $seed] = $argv;
$streams = new TreatmentStreams((int) $seed);
for ($k = 0; $k < (int) $count; $k++) {
    ['steps' => $steps, 'events' => $events] = $streams->next();
    $state = Fold::of($steps, $events)->toArray();
    $state['muscles'] = (object) array_map(
        static fn (array $dose): array => ['spots' => (object) $dose['spots']] + $dose, (array) $state['muscles'],
    );
    echo json_encode(['steps' => $steps, 'events' => array_map(static fn (Event $one): array => [
        'id' => $one->id, 'type' => $one->type, 'step' => $one->step, 'payload' => (object) $one->payload, 'device' => $one->device,
        'number' => $one->number,
    ], $events), 'state' => $state], JSON_THROW_ON_ERROR), "\n";
}
