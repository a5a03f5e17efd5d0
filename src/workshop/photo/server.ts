export { getPhoto, postPhoto } from './handlePhotos';
