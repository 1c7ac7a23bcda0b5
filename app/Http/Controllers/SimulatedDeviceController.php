<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\DeviceReadingsRequest;
use App\Models\Visit;
use App\Support\DeviceStream;
use Illuminate\Http\Response;
use Somatrace\Core\Clinic;
use Somatrace\Core\Simulation\SimulatedDevices;

/**
 * The device that ships. It says at once what a real one would say as time goes, with the moment of each line, and the window shows each at
 * its moment: no page waits behind a slow device.
 */
final readonly class SimulatedDeviceController
{
    public function show(DeviceReadingsRequest $request, Visit $visit, string $device, Clinic $clinic): Response
    {
        // a stand-in answers where all is made up, and nowhere else
        abort_unless($visit->user->clinic->demo, 404);
        $readings = SimulatedDevices::of($clinic)->readings(
            $device, (string) $request->string('what'), $request->side(), crc32($visit->client()->firstOrFail()->public_id),
            $request->integer('repeat'), $request->has('about') ? $request->float('about') : null,
        );

        return DeviceStream::of($readings);
    }
}
