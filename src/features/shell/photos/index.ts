export { Attach, photoEdits } from './Attach';
export { Picture, usePicture } from './Picture';
export { kept, NO_PICTURE, PickPhoto, type Kept } from './TakePhoto';
