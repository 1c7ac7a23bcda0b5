<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Response;
use Somatrace\Core\Simulation\DeviceReading;

/** What a measuring device that ships answers: one reading a line (docs/device-protocol.md). */
final readonly class DeviceStream
{
    /** @param  list<DeviceReading>  $readings */
    public static function of(array $readings): Response
    {
        $lines = array_map(static fn (DeviceReading $one): string => json_encode($one->toArray(), JSON_THROW_ON_ERROR)."\n", $readings);

        return response(implode('', $lines), 200, ['Content-Type' => 'application/x-ndjson', 'Cache-Control' => 'no-store']);
    }
}
