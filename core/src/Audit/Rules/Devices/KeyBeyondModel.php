<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Devices;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Telephones\Model;

/** A key that the model of the telephone does not have. */
final readonly class KeyBeyondModel implements Rule
{
    public function about(): About
    {
        return new About('devices.key-beyond-model', Severity::Error);
    }

    public function check(Inspection $inspection): iterable
    {
        $models = array_column(Model::shipped(), null, 'key');
        foreach ($inspection->book->all(Device::class) as $device) {
            $model = $models[$device->model ?? ''] ?? null;
            foreach ($device->keys as $key) {
                if ($model !== null && $key->at > $model->places()) {
                    yield Found::of(
                        [
                            'device' => $device->name, 'key' => $key->at, 'model' => $model->name,
                            'n' => $model->places(),
                        ],
                        $device,
                    )->at("keys/{$key->item}/at", $key->item);
                }
            }
        }
    }
}
