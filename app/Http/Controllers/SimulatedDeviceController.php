<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\DeviceReadingsRequest;
use App\Models\Visit;
use Somatrace\Core\Clinic;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The device that ships: it answers as a real one would, line by line as time goes (docs/device-protocol.md). */
final readonly class SimulatedDeviceController
{
    public function show(DeviceReadingsRequest $request, Visit $visit, string $device, Clinic $clinic): StreamedResponse
    {
        $readings = $clinic->devices()->readings(
            $device, (string) $request->string('what'), $request->side(), crc32($visit->client()->firstOrFail()->public_id), $request->integer('repeat'), $request->has('about') ? $request->float('about') : null,
        );

        return response()->stream(static function () use ($readings): void {
            $now = 0;
            foreach ($readings as $reading) {
                usleep(1000 * ($reading->at - $now));
                $now = $reading->at;
                echo json_encode($reading->toArray(), JSON_THROW_ON_ERROR)."\n";
                if (ob_get_level() > 0) {
                    ob_flush();
                }
                flush();
            }
        }, headers: ['Content-Type' => 'application/x-ndjson', 'Cache-Control' => 'no-store', 'X-Accel-Buffering' => 'no']);
    }
}
