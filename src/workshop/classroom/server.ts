export { rooms } from './openRooms';
